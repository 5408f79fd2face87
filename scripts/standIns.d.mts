import type { ChildProcess } from 'node:child_process';

export function startStandIns(environment?: Record<string, string>): Promise<{ name: 'meter' | 'camera'; process: ChildProcess; address: string }[]>;
