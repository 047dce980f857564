import type { GateName } from '#core/model/site';

/** Something that has to be so before a night goes on. */
export interface GateCheck {
  id: string;
  /** As it is read off the card: a sentence that is so, or is not. */
  says: string;
}

export interface GateDefinition {
  label: string;
  /** What is done where something is not so. */
  otherwise: string;
  checks: readonly GateCheck[];
}

/** The gates of a night, with what is looked at in each. */
export const gateDefinitions: Record<GateName, GateDefinition> = {
  before: {
    label: 'Two days before',
    otherwise: 'A camera of which one of these is not so leaves the night.',
    checks: [
      { id: 'parts', says: 'All parts are here, counted against the pick list.' },
      { id: 'soaked', says: 'Cameras and converters were set up on the bench and ran there four hours.' },
      { id: 'addresses', says: 'Every new camera answers at its address.' },
      { id: 'firmware', says: 'Firmware of cameras, switches and recorders is noted.' },
      { id: 'permits', says: 'Permits for height, hot work and access are in hand.' },
    ],
  },
  start: {
    label: 'At the start',
    otherwise: 'Nothing is touched until it is so, or somebody says why it may be.',
    checks: [
      { id: 'volts', says: 'Supplies read what they should, with everything on.' },
      {
        id: 'backup',
        says: 'The recorder’s settings were saved within the last day, and the restore was proved.',
      },
      { id: 'cover', says: 'Whoever watches the views knows which go dark, and stands in for them.' },
      { id: 'wind', says: 'Wind and weather let people work at height.' },
      { id: 'people', says: 'Everybody is here, fit, and knows how the night is broken off.' },
    ],
  },
  dawn: {
    label: 'At dawn',
    otherwise: 'Each exception is signed by whoever takes the site back.',
    checks: [
      { id: 'recorded', says: 'Every view is recorded, live and played back.' },
      { id: 'disks', says: 'Recorders see all their disks.' },
      { id: 'dead', says: 'What was taken off is dead, insulated and labelled.' },
      { id: 'tidy', says: 'Ladders, lift and tools are off the public’s way.' },
    ],
  },
};
