import { converterReportSchema, type ConverterLink } from '#core/connect/converterReport';
import { portCountersSchema, type PortCounters } from '#core/connect/switchReport';
import { DeviceError } from '../devices/deviceError';
import { deviceRequest } from '../devices/deviceRequest';

/** A conversation with a converter or a unit of several about one of its links. */
export interface ConverterLine {
  link: (number: number) => Promise<ConverterLink>;
  /** What it counted over the last hours. */
  counters: (number: number) => Promise<PortCounters>;
}

/** A line to the converters at `host:port`. Its promises reject with a DeviceError. */
export function converterClient(address: string, answerMs: number): ConverterLine {
  const { read } = deviceRequest({ what: 'converter', address, headers: () => ({}), answerMs });
  return {
    link: async (number) => {
      const { name, links } = await read(converterReportSchema, 'GET', 'state');
      const link = links.find((one) => one.number === number);
      if (!link) throw new DeviceError('refused', `${name || 'The converter'} has no link ${number}.`);
      return link;
    },
    counters: (number) => read(portCountersSchema, 'GET', `links/${number}/counters`),
  };
}
