// Everything that works out light or speaks of it comes in one piece: what two pieces share is fetched with the first page,
// and neither the solver, the sentences, the astronomy nor the renderer is wanted there.
export { SettingsScreen } from '@/features/account/SettingsScreen';
export { DueWatch } from '@/features/ahead/DueWatch';
export { DevicesScreen } from '@/features/devices/DevicesScreen';
export { KitScreen } from '@/features/kit/KitScreen';
export { LogScreen } from '@/features/log/LogScreen';
export { PackingScreen } from '@/features/packing/PackingScreen';
export { PictureScreen } from '@/features/picture/PictureScreen';
export { NowScreen } from '@/features/plan/NowScreen';
export { PlanScreen } from '@/features/plan/PlanScreen';
export { ClockScreen } from '@/features/roll/ClockScreen';
export { ReviewScreen } from '@/features/review/ReviewScreen';
export { SearchScreen } from '@/features/search/SearchScreen';
export { SetupScreen } from '@/features/setup/SetupScreen';
export { NewShootScreen } from '@/features/shoots/NewShootScreen';
export { OpenCardScreen } from '@/features/sheets/OpenCardScreen';
export { ShootSheetsScreen } from '@/features/sheets/ShootSheetsScreen';
export { SetupSheetsScreen } from '@/features/sheets/SetupSheetsScreen';
export { SetupFace } from '@/features/shoots/SetupCard';
export { ShootScreen } from '@/features/shoots/ShootScreen';
export { SpotScreen } from '@/features/spots/SpotScreen';
export { StopsScreen } from '@/features/stops/StopsScreen';
export { nextText, readSetup, sayConflict, sayFault, sayField, sayRefusal } from '@/setupView/lent';
