export { ShootScreen as default } from '@/features/shoots/ShootScreen';
