/** The stages of the work, in its order, and the papers that go out of all of them. */
export type StageName =
  'survey' | 'test' | 'decide' | 'allocate' | 'connect' | 'cutover' | 'signoff' | 'papers';
