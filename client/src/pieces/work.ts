// Everything that works out light comes in one piece: what two pieces share is fetched with the first page, and neither the
// solver, the astronomy nor the renderer is wanted there.
export { DevicesScreen } from '@/features/devices/DevicesScreen';
export { KitScreen } from '@/features/kit/KitScreen';
export { PictureScreen } from '@/features/picture/PictureScreen';
export { SetupScreen } from '@/features/setup/SetupScreen';
export { nextText } from '@/setupView/nextText';
