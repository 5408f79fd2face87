import type { ChildProcess } from 'node:child_process';

type StandIns = { name: 'meter' | 'camera'; process: ChildProcess; address: string }[];
export function startStandIns(): Promise<StandIns>;
export function startOwnStandIns(environment: Record<string, string>): Promise<StandIns>;
