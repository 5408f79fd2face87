import { laterPage } from '@/shell/laterScreen';

export default laterPage(async () => (await import('@/pieces/work')).OpenCardScreen);
