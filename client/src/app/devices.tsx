import { laterScreen } from '@/shell/laterScreen';

export default laterScreen(async () => (await import('@/features/devices/DevicesScreen')).DevicesScreen);
