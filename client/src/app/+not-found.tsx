export { NotFoundScreen as default } from '@/features/shoots/NotFoundScreen';
