export { type CameraNow, cameraNow, passedLimit, type PassedLimit, type ToSet } from './cameraAsSet';
export {
  type CameraGear,
  type CameraReason,
  type CameraSolution,
  chooseCameraSettings,
  type ExposureTarget,
  limitsInForce,
  videoShutterTv,
} from './cameraSettings';
export { type Depth, depthNow, depthWanted, sharpZoneM } from './depthOfField';
export { type FrameFight, frameFights } from './frameFights';
export { clipsAboveAt, exposureIntent, type Intent, type LitPoint } from './intent';
export { focalLengthMm, MOTION_LIMITS, type SharpShutter, type ShutterReason } from './sharpShutter';
