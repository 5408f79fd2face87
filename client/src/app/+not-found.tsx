export { NotFoundScreen as default } from '@/shell/NotFoundScreen';
