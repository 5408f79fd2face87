export { NewShootScreen as default } from '@/features/shoots/NewShootScreen';
