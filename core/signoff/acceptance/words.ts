import type { PunchSeverity, SignerRole } from '#core/model/site';
import type { AcceptanceStatus } from './thingState';

export const statusWords: Record<AcceptanceStatus, string> = {
  open: 'to read',
  fails: 'does not hold',
  ready: 'ready to accept',
  accepted: 'accepted',
  'with-exceptions': 'accepted with exceptions',
};

export const severityWords: Record<PunchSeverity, string> = {
  unsafe: 'Unsafe',
  'view-lost': 'View lost',
  'below-need': 'Below need',
  cosmetic: 'Cosmetic',
};

export const signerWords: Record<SignerRole, string> = {
  customer: 'For the customer',
  integrator: 'For the integrator',
};
