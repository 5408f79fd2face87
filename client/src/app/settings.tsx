export { SettingsScreen as default } from '@/features/account/SettingsScreen';
