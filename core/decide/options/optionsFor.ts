import type { OptionKind, Place } from '#core/model/site';
import { balunOption, hdCoaxOption, keepOption } from './analog';
import { infeasible } from './build';
import type { Context } from './context';
import { ipCoaxPairOption, ipCoaxUnitOption, newCategoryOption } from './ip';
import { longReachOption } from './longReach';
import { ipCategoryOption } from './oldCategory';
import type { Option } from './option';
import { encodeOption } from './encode';
import { fibreOption } from './fibre';
import { fieldCoaxOption } from './fieldCoax';
import { fieldSwitchOption } from './fieldSwitchOption';
import { mendLineOption } from './mendLine';
import { powerFixOption } from './powerFix';
import { unreachedCautions } from './reachesRecorder';
import { retireOption } from './retire';
import { sharedViewOption } from './sharedView';
import { wirelessOption } from './wireless';

const builders: Record<OptionKind, (context: Context) => Option> = {
  keep: keepOption,
  'power-fix': powerFixOption,
  'mend-line': mendLineOption,
  'hd-coax': hdCoaxOption,
  'ip-coax-pair': ipCoaxPairOption,
  'ip-coax-unit': ipCoaxUnitOption,
  baluns: balunOption,
  'ip-category': ipCategoryOption,
  'new-category': newCategoryOption,
  'field-switch': fieldSwitchOption,
  fibre: fibreOption,
  wireless: wirelessOption,
  'field-coax': fieldCoaxOption,
  'long-reach': longReachOption,
  encode: encodeOption,
  'shared-view': sharedViewOption,
  retire: retireOption,
};

const mayExplode = ({ restrictions }: Place): boolean => restrictions.includes('explosive-atmosphere');

/** Where the air may explode nobody plans work but a specialist for such places. */
const hazardousPlace = ({ place, headEnd }: Context): Place | undefined => {
  if (mayExplode(place)) return place;
  return mayExplode(headEnd) ? headEnd : undefined;
};

const whoMust = 'A specialist for explosive atmospheres plans and does all work there.';

function withoutWork(option: Option, placeName: string): Option {
  if (option.state === 'no') return option;
  return option.tasks.length === 0
    ? { ...option, cautions: [`Explosive atmosphere at ${placeName}. ${whoMust}`, ...option.cautions] }
    : infeasible(
        option.kind,
        'hazard',
        `Explosive atmosphere at ${placeName}: no work is planned here. ${whoMust}`,
        'a plan by a specialist for explosive atmospheres',
      );
}

/** The option, with what to see to where its picture would come to no recorder. */
function connected(context: Context, option: Option): Option {
  if (option.state === 'no') return option;
  const cautions = unreachedCautions(context, option);
  return cautions.length > 0 ? { ...option, cautions: [...cautions, ...option.cautions] } : option;
}

/** Kinds of options in the order in which they are always shown. */
const inOrder = Object.keys(builders) as OptionKind[];

/** One option of a camera by itself. */
export function optionFor(context: Context, kind: OptionKind): Option {
  const hazard = hazardousPlace(context);
  const option = connected(context, builders[kind](context));
  return hazard ? withoutWork(option, hazard.name) : option;
}

/** Every option of a camera, each from where it is known. */
export const optionsOf = (optionOf: (kind: OptionKind) => Option): Option[] => inOrder.map(optionOf);
