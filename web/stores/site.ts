import { useBroadcastChannel, useDocumentVisibility, useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  areaOf,
  historyOf,
  type Change,
  type Edit,
  type Fact,
  type FactUpdate,
  type Kind,
  type EditOperation,
  type LogEntry,
  type Site,
} from '#core/model/site';
import type { Problem } from '#core/shared/problems';
import { takeEarly } from '../workers/evaluator';
import { mostInTurn, servedSiteSchema, siteRoleDefinitions, type ServedSite, type SiteRole } from '#contract';
import { useAccount } from './account';
import { keepEntries, keepSite, keptSite } from '../offline/keptSites';
import { keepPictures } from '../offline/keepPictures';
import { whenIdle } from '../offline/whenIdle';
import { api, type Answer } from './api';
import {
  afterAnswer,
  enqueue,
  nextToSend,
  openQueue,
  rebase,
  seenLog,
  type Dropped,
  type Queue,
} from './editQueue';
import { keepPending, leftBehind } from './pendingEdits';
import { isMine, signedAs, useCurrentUser, useSignedInAs, type Role } from './currentUser';

export type Saving = 'saved' | 'saving' | 'waiting';
export type Opened = 'opening' | 'open' | 'missing' | 'unreachable' | 'signed-out' | 'not-allowed';

/** Why a site is not opened. */
function closedBy(answer: Exclude<Answer<ServedSite>, { kind: 'answer' }>): Opened {
  if (answer.kind === 'silence') return 'unreachable';
  const byStatus: Record<number, Opened> = { 401: 'signed-out', 403: 'not-allowed' };
  return byStatus[answer.refusal.status] ?? 'missing';
}

/** So often it is asked whether the server is back. */
const askAgainMs = 10_000;
const retryMs = [500, 1000, 2000, 4000, 8000];
/** News of a site that are on their way, and the site that they are of. */
interface EarlyNews {
  news: Promise<string>;
  site: Site;
}

/** The open site: what is on it, and the one way to change it. */
export const useSite = defineStore('site', () => {
  const id = ref('');
  const opened = ref<Opened>('opening');
  const queue = shallowRef<Queue | null>(null);
  const saving = ref<Saving>('saved');
  const savedAt = ref<string | null>(null);
  const dropped = shallowRef<Dropped[]>([]);
  /** Of when it is, where nobody answered and it was opened from this device. */
  const knownAt = ref<string | null>(null);
  /** What whoever opened it is on it; `null` where there are no accounts. */
  const role = ref<SiteRole | null>(null);
  /** What was asked for last that the role does not change. */
  const beyondRole = shallowRef<{ label: string; role: string } | null>(null);
  const account = useAccount();
  const currentUser = useCurrentUser();
  const signedInAs = useSignedInAs();
  const signedBy = (role: Role): string => signedAs(currentUser.value, role);

  /** What is being made of the site since before the page was ready, and the site that it is made of. */
  let early: EarlyNews | null = null;
  function takeEarlyNews(): EarlyNews | null {
    const taken = early;
    early = null;
    return taken;
  }

  const site = computed<Site | null>(() => queue.value?.seen ?? null);
  /** Everybody takes back what is his own. */
  const history = computed(() => {
    const me = signedBy('Surveyor');
    return historyOf(queue.value ? seenLog(queue.value) : [], ({ by }) => by === me);
  });
  const { post: tellOthers, data: told } = useBroadcastChannel<
    { site: string; version: number },
    { site: string; version: number }
  >({ name: 'neotrope' });

  function hold(next: Queue, lost: Dropped[] = []): void {
    const fresh = queue.value ? next.log.slice(queue.value.log.length) : [];
    if (fresh.length > 0) {
      void keepEntries(id.value, fresh);
      savedAt.value = fresh.at(-1)!.at;
    }
    queue.value = next;
    keepPending(id.value, next.pending);
    if (lost.length > 0) dropped.value = [...lost];
  }

  async function open(siteId: string): Promise<void> {
    id.value = siteId;
    queue.value = null;
    opened.value = 'opening';
    const ready = await takeEarly(siteId);
    const asked: Answer<ServedSite> = ready
      ? { kind: 'answer', value: servedSiteSchema.parse(JSON.parse(ready.answer)) }
      : await api.site(siteId);
    // Nobody answers: what this device knows of the site is gone on with.
    const kept = asked.kind === 'silence' ? await keptSite(siteId) : null;
    const answer: Answer<ServedSite> = kept ? { kind: 'answer', value: kept.served } : asked;
    if (id.value !== siteId) return;
    knownAt.value = kept?.keptAt ?? ready?.keptAt ?? null;
    if (answer.kind !== 'answer') {
      opened.value = closedBy(answer);
      return;
    }
    role.value = answer.value.role;
    if (knownAt.value === null) whenIdle(() => void keepSite(answer.value));
    const left = await leftBehind(siteId, (by) => isMine(signedInAs.value, by));
    if (id.value !== siteId) return;
    savedAt.value = answer.value.log.at(-1)?.at ?? null;
    const { queue: next, dropped: lost } = openQueue(answer.value, left);
    early = ready ? { news: ready.news, site: next.confirmed } : null;
    hold(next, lost);
    opened.value = 'open';
    whenIdle(() => void keepPictures(next.confirmed, () => id.value === siteId));
    void send();
  }

  let sending = false;
  let failures = 0;

  /** Nobody answers just now: it is tried again, the longer it lasts the less often. */
  function sendLater(): void {
    saving.value = 'waiting';
    // Now there is something to lose: where room is scarce, browsers throw away what nobody asked them to keep.
    if (failures === 0) void navigator.storage?.persist?.();
    window.setTimeout(() => void send(), retryMs[Math.min(failures, retryMs.length - 1)]);
    failures += 1;
  }

  const next = (): Edit[] => (queue.value ? nextToSend(queue.value, mostInTurn) : []);

  /** Sends what is pending, one edit after the other, until nothing is left or nobody answers. */
  async function send(): Promise<void> {
    if (sending) return;
    sending = true;
    try {
      for (let edits = next(); edits.length > 0; edits = next()) {
        saving.value = failures > 0 ? 'waiting' : 'saving';
        const answer = await api.edit(edits);
        if (!queue.value || id.value !== edits[0]!.site) return;
        const after = afterAnswer(queue.value, answer);
        if (!after) return sendLater();
        failures = 0;
        hold(after.queue, after.dropped);
        if (answer.kind === 'answer') {
          savedAt.value = answer.value.at(-1)!.at;
          tellOthers({ site: id.value, version: after.queue.version });
        }
      }
      saving.value = 'saved';
    } finally {
      sending = false;
      if (isNewsWaiting) void refresh();
    }
  }

  /** There is news while edits are being sent: their answers bring it, or it is asked for after them. */
  let isNewsWaiting = false;
  /** Takes in what other windows have done since. */
  async function refresh(): Promise<void> {
    if (sending) {
      isNewsWaiting = true;
      return;
    }
    isNewsWaiting = false;
    if (!queue.value) return opened.value === 'opening' ? undefined : open(id.value);
    const siteId = id.value;
    for (let more = true; more;) {
      const answer = await api.since(siteId, queue.value.version);
      if (answer.kind !== 'answer' || !queue.value || id.value !== siteId) return;
      knownAt.value = null;
      const { queue: next, dropped: lost } = rebase(queue.value, answer.value.entries);
      // A page that brings nothing new would come again for ever.
      more = answer.value.more && next.version > queue.value.version;
      if (next !== queue.value) hold(next, lost);
    }
  }

  function submit(label: string, wanted: Change[], operation: EditOperation): Problem[] {
    // What a form holds is watched by it. Facts are plain data, as they will be in the file and in the other thread.
    const changes = JSON.parse(JSON.stringify(wanted)) as Change[];
    if (!queue.value) return [{ path: 'site', value: 'not open', allowed: 'an open site' }];
    const definition = role.value && siteRoleDefinitions[role.value];
    if (definition && !changes.every(({ kind }) => definition.areas.includes(areaOf(kind)))) {
      beyondRole.value = { label, role: definition.label };
      return [{ path: 'role', value: definition.label, allowed: 'a role that changes this' }];
    }
    const result = enqueue(
      queue.value,
      {
        id: crypto.randomUUID(),
        site: id.value,
        label,
        operation,
        by: signedBy('Surveyor'),
        changes,
      },
      new Date().toISOString(),
    );
    if (result.kind === 'refused') return result.problems;
    hold(result.queue);
    void send();
    return [];
  }

  /** Changes the site at once; what does not fit comes back as problems and changes nothing. */
  const change = (label: string, changes: Change[]): Problem[] => submit(label, changes, { kind: 'do' });

  /**
   * Changes one fact from what it is at this moment, not from what a sheet was drawn with: the evaluation that sheets
   * are drawn from comes a moment after an edit, and a second edit made meanwhile would take the first one back.
   */
  function update<K extends Kind>(
    label: string,
    kind: K,
    factId: string,
    next: FactUpdate<Fact<K>>,
  ): Problem[] {
    const now: Fact<K> | undefined = site.value?.[kind][factId];
    if (!now) return [{ path: `${kind}/${factId}`, value: factId, allowed: `a ${kind} that is still there` }];
    const set = next(now);
    return set === now ? [] : change(label, [{ kind, id: factId, set } as unknown as Change]);
  }

  function undo(): string | null {
    const last = history.value.undoable.at(-1);
    if (!last) return null;
    return submit(last.label, last.inverse, { kind: 'undo', of: last.id }).length === 0 ? last.label : null;
  }

  function redo(): string | null {
    const last = history.value.redoable.at(-1);
    if (!last) return null;
    return submit(last.label, last.changes, { kind: 'redo', of: last.id }).length === 0 ? last.label : null;
  }

  // Whoever signed in again goes on where he was.
  watch(
    () => account.signIns,
    () => {
      if (id.value) void refresh().then(send);
    },
  );
  watch(told, (message) => {
    if (message && message.site === id.value && queue.value && message.version > queue.value.version)
      void refresh();
  });
  const visibility = useDocumentVisibility();
  watch(visibility, (state) => {
    if (state === 'visible') void refresh();
  });
  useEventListener(window, 'online', () => void refresh().then(send));
  // A phone comes back into a network without a word where only the server was away.
  useIntervalFn(() => {
    if (knownAt.value !== null) void refresh();
  }, askAgainMs);
  const pending = computed<readonly LogEntry[]>(() => queue.value?.pending ?? []);
  const version = computed(() => queue.value?.version ?? 0);
  const waiting = computed(() => pending.value.length);
  /** Takes in edits that waited on another device; those that are known already are not done twice. */
  function takeWaiting(entries: readonly LogEntry[]): void {
    if (!queue.value) return;
    const known = new Set(seenLog(queue.value).map(({ id: one }) => one));
    const fresh = entries.filter(({ id: one }) => !known.has(one));
    const { queue: next, dropped: lost } = rebase(
      { ...queue.value, pending: [...queue.value.pending, ...fresh] },
      [],
    );
    hold(next, lost);
    void send();
  }
  // Nothing is lost by leaving: it waits in the browser. But nobody else has it yet, and that is said.
  useEventListener(window, 'beforeunload', (event) => {
    if (saving.value === 'waiting' && waiting.value > 0 && !account.isChangingHands()) event.preventDefault();
  });

  return {
    id,
    takeEarlyNews,
    version,
    waiting,
    pending,
    takeWaiting,
    opened,
    site,
    history,
    saving,
    savedAt,
    dropped,
    knownAt,
    role,
    beyondRole,
    currentUser,
    signedBy,
    open,
    change,
    update,
    undo,
    redo,
    refresh,
  };
});
