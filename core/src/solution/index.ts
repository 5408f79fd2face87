export type { Solution } from './solution';
export { solve } from './solve';
