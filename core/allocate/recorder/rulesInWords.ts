import type { Recorder } from '#core/model/site';

/** How a recorder shares its slots, in a line. */
export function rulesInWords({ inputs, rules, blockSize }: Recorder): string {
  const blocks = blockSize ? `; inputs in blocks of ${blockSize}` : '';
  switch (rules.kind) {
    case 'from-the-tail':
      return `${inputs} inputs, ${rules.extraIpSlots} IP slots; inputs turn to IP from the highest down${blocks}`;
    case 'switch-per-input':
      return `${inputs} inputs, ${rules.extraIpSlots} IP slots; any input can turn to IP${blocks}`;
    case 'fixed-hybrid':
      return `${inputs} inputs stay coax, ${rules.ipSlots} IP slots${blocks}`;
    case 'network-only':
      return `${rules.ipSlots} IP slots${rules.poe ? `, ${rules.poe.ports} ports that give ${rules.poe.watts} W together` : ''}`;
    case 'preset-split':
      return `${rules.presets.map((preset) => `${preset.inputs} + ${preset.ipSlots}`).join(', ')} (coax + IP), one for the whole recorder${blocks}`;
  }
}
