export { allGivenAddresses, givenAddresses } from './addresses';
export { applyingSchema, planOf, type Applying } from './applying';
export { channelColumns, channelList } from './channelList';
export { deviceGoals, devicePlan, type DeviceGoal, type DevicePlan, type PlanForDevice } from './devicePlan';
export { differences, otherRecorder, stillWrong } from './difference';
export { leadsByHand } from './leadsByHand';
export { prerequisites, type PrerequisiteId } from './prerequisites';
export {
  foundSchema,
  reportSchema,
  settingsSchema,
  type Channel,
  type FoundCamera,
  type Report,
  type Settings,
} from './report';
export { nextStep, stepInWords, stepsLeft, type DeviceStep } from './steps';
