import type { Camera, Run, TestDefinition } from '#core/model/site';
import type { NextTest } from '#core/test/diagnosis';
import type { RoundTest } from './planRound';

/** A test that a round could hold, with the time to go to its place and back, and to set up what reaches it. */
export interface WeighedTest {
  test: RoundTest;
  setUpMinutes: number;
}

/** A test of a run as a round takes it: at the recorder or up at the camera, its own minutes apart from those of the way. */
export const roundTestOf = (
  { run, camera }: { run: Run; camera: Pick<Camera, 'placeId'> },
  test: TestDefinition,
  { minutes, travelMinutes, accessMinutes }: Pick<NextTest, 'minutes' | 'travelMinutes' | 'accessMinutes'>,
  worth: number,
): WeighedTest => ({
  test: {
    runId: run.id,
    testId: test.id,
    ...(test.hookUp.at === 'head-end'
      ? { at: 'recorder' as const, placeId: run.headEndId }
      : { at: 'camera' as const, placeId: camera.placeId }),
    minutes: minutes - travelMinutes - accessMinutes,
    worth,
  },
  setUpMinutes: 2 * travelMinutes + accessMinutes,
});
