export { sayAge, sayDuration } from './age';
export { describeChange } from './change';
export { lightName, lightNameInText, panelName, powerTextOf } from './gear';
export {
  BACKGROUND_MARKS,
  LOOK_MARKS,
  LOOK_WAYS,
  type LookStatement,
  readLook,
  sayLook,
  sayLookAs,
  sayLookEveryWay,
} from './look';
export { METHOD_CHOICES, methodKey, sayMethod } from './method';
export { saySun } from './stage';
