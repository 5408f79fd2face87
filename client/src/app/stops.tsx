import { laterScreen } from '@/shell/laterScreen';

export default laterScreen(async () => (await import('@/features/stops/StopsScreen')).StopsScreen);
