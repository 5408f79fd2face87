import { laterScreen } from '@/shell/laterScreen';

export default laterScreen(async () => (await import('@/pieces/work')).ClockScreen);
