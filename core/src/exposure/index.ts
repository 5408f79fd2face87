export {
  type CameraGear,
  type CameraReason,
  type CameraSolution,
  chooseCameraSettings,
  type ExposureTarget,
  limitsInForce,
  videoShutterTv,
} from './cameraSettings';
export { type Depth, depthWanted, sharpZoneM } from './depthOfField';
export { clipsAboveAt, exposureIntent, type Intent, type LitPoint } from './intent';
export { focalLengthMm, MOTION_LIMITS, type SharpShutter, type ShutterReason } from './sharpShutter';
