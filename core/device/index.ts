export { givenAddresses } from './addresses';
export { applyingSchema, planOf, type Applying } from './applying';
export { devicePlan, type DevicePlan, type PlanForDevice } from './devicePlan';
export { differences, otherRecorder, stillWrong, type SlotDifference } from './difference';
export {
  channelSchema,
  foundSchema,
  reportSchema,
  settingsSchema,
  type Channel,
  type FoundCamera,
  type Report,
  type Settings,
} from './report';
export { nextStep, stepInWords, stepsLeft, type DeviceStep, type Kept } from './steps';
export { channelColumns, channelList, type ChannelRow } from './channelList';
export { prerequisites, type Prerequisite, type PrerequisiteId } from './prerequisites';
export { leadsByHand, type LeadByHand } from './leadsByHand';
