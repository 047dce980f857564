/** The stages of the work, in its order. */
export type StageName = 'survey' | 'test' | 'decide' | 'allocate' | 'connect' | 'cutover' | 'plan';
