import type { OptionKind } from '#core/site';
import { balunOption, hdCoaxOption, keepOption } from './analog';
import type { Context } from './context';
import { ipCategoryOption, ipCoaxPairOption, ipCoaxUnitOption, newCategoryOption } from './ip';
import type { Option } from './option';

const builders: Record<OptionKind, (context: Context) => Option> = {
  keep: keepOption,
  'hd-coax': hdCoaxOption,
  'ip-coax-pair': ipCoaxPairOption,
  'ip-coax-unit': ipCoaxUnitOption,
  baluns: balunOption,
  'ip-category': ipCategoryOption,
  'new-category': newCategoryOption,
};

const inOrder = Object.values(builders);

/** Every option of one camera, in the order they are always shown. */
export function optionsFor(context: Context): Option[] {
  return inOrder.map((build) => build(context));
}
