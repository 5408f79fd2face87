export type { Solution, SolutionAdvice, SolutionNumbers } from './solution';
export { solve, type SolvedNumbers, solveNumbers } from './solve';
