import type { ChildProcess } from 'node:child_process';

interface StandIn {
  name: 'meter' | 'camera' | 'radio' | 'weather';
  process: ChildProcess;
  address: string;
}

type StandIns = StandIn[];
export function startStandIns(): Promise<StandIns>;
export function startOwnStandIns(environment: Record<string, string>): Promise<StandIns>;
export function startWeather(): Promise<StandIn>;
export function startOwnWeather(): Promise<StandIn>;
