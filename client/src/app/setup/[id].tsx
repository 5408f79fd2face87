export { SetupScreen as default } from '@/features/balance/SetupScreen';
