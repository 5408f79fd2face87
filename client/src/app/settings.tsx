import { laterScreen } from '@/shell/laterScreen';

export default laterScreen(async () => (await import('@/features/account/SettingsScreen')).SettingsScreen);
