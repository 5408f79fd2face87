import { laterScreen } from '@/ui/laterScreen';

export default laterScreen(async () => (await import('@/features/setupScreens')).PictureScreen);
