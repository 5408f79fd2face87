export { english } from './english';
