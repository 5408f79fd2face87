import { HALL, TERRACE } from './stack';

/** A screen of the application, with the parts of a setup that a narrow one shows one at a time. */
export interface ScreenAt {
  name: string;
  at: string;
  tabs?: string[];
}

/** Every screen there is: what all screens must have is asked of these. */
export const SCREENS: ScreenAt[] = [
  { name: 'shoots', at: '/' },
  { name: 'new shoot', at: '/new-shoot' },
  { name: 'shoot', at: '/shoot/019c9c00-0000-7000-8000-000000000001' },
  { name: 'plan', at: '/plan/019c9c00-0000-7000-8000-000000000001' },
  { name: 'now', at: '/now/019c9c00-0000-7000-8000-000000000001' },
  { name: 'log', at: '/log/019c9c00-0000-7000-8000-000000000001' },
  { name: 'packing', at: '/packing/019c9c00-0000-7000-8000-000000000001' },
  { name: 'review', at: '/review/019c9c00-0000-7000-8000-000000000001' },
  { name: 'sheets', at: '/handouts/019c9c00-0000-7000-8000-000000000001' },
  { name: 'clock', at: '/clock' },
  { name: 'spot', at: '/spot/019c9c00-0000-7000-8000-000000000003' },
  { name: 'hall', at: HALL, tabs: ['Ambient', 'Look', 'Camera', 'Lights', 'Stage', 'Check', 'Log'] },
  { name: 'card', at: HALL.replace('/setup/', '/sheets/') },
  { name: 'picture', at: HALL.replace('/setup/', '/picture/') },
  { name: 'terrace', at: TERRACE, tabs: ['Camera', 'Lights'] },
  { name: 'stop arithmetic', at: '/stops' },
  { name: 'kit', at: '/kit' },
  { name: 'search', at: '/search' },
  { name: 'settings', at: '/settings' },
  { name: 'devices', at: '/devices' },
  { name: 'not found', at: '/setup/019c9c00-0000-7000-8000-00000000ffff' },
];
