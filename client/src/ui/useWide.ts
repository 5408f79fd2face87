import { useWindowDimensions } from 'react-native';

/** From this width on the parts of a setup stand side by side. */
const WIDE_PX = 1000;

export const useWide = (): boolean => useWindowDimensions().width >= WIDE_PX;
