import type { LineCondition, LineUse } from '#core/test/findings';
import type { Margin } from './option';
import type { Part } from './part';

/** What was read of the line, as it binds an option, with what has to be fitted and minded for it. */
export interface LineBinding {
  conditions: readonly LineCondition[];
  margins: Margin[];
  parts: Part[];
  work: string[];
  cautions: string[];
}

export type LineBindings = Readonly<Record<LineUse, LineBinding>>;
