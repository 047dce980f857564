import { problemLine } from '#core/shared/problems';
import type { Answer } from '../stores/api';

/** Why nothing came of what was asked, as somebody reads it; nothing where something did. */
export function refusalWords<T>(answer: Answer<T>): string[] {
  switch (answer.kind) {
    case 'answer':
      return [];
    case 'silence':
      return ['The server does not answer. Nothing was changed.'];
    case 'refusal':
      return [answer.refusal.detail, ...answer.refusal.problems.map(problemLine)];
  }
}
