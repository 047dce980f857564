import type { OptionKind } from '#core/model/site';
import { balunOption, hdCoaxOption, keepOption } from './analog';
import { fibreOption, retireOption, wirelessOption } from './away';
import type { Context } from './context';
import { ipCategoryOption, ipCoaxPairOption, ipCoaxUnitOption, newCategoryOption } from './ip';
import type { Option } from './option';
import { powerFixOption } from './powerFix';

const builders: Record<OptionKind, (context: Context) => Option> = {
  keep: keepOption,
  'power-fix': powerFixOption,
  'hd-coax': hdCoaxOption,
  'ip-coax-pair': ipCoaxPairOption,
  'ip-coax-unit': ipCoaxUnitOption,
  baluns: balunOption,
  'ip-category': ipCategoryOption,
  'new-category': newCategoryOption,
  fibre: fibreOption,
  wireless: wirelessOption,
  retire: retireOption,
};

const inOrder = Object.values(builders);

/** Every option of one camera, in the order they are always shown. */
export function optionsFor(context: Context): Option[] {
  return inOrder.map((build) => build(context));
}
