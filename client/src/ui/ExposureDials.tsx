import { View } from 'react-native';

import type { ReadValue } from '@sphene/core/notation';
import type { ExposureSettings, Increment } from '@sphene/core/photometry';
import { ApertureDial, IsoDial, ShutterDial } from './dials';

/** The dials of an exposure side by side. */
export function ExposureDials({
  names,
  value,
  increment = 'third',
  apertureIncrement = increment,
  without,
  onChange,
}: {
  /** what each is called where it stands */
  names: Readonly<Record<ReadValue, string>>;
  value: ExposureSettings;
  increment?: Increment;
  apertureIncrement?: Increment;
  /** the one that is not set but read */
  without?: ReadValue;
  onChange: (value: ExposureSettings) => void;
}) {
  const { av, tv, sv } = value;
  const put = (change: Partial<ExposureSettings>) => onChange({ av, tv, sv, ...change });
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      {without !== 'shutter' && (
        <ShutterDial label={names.shutter} value={tv} increment={increment} onChange={(to) => put({ tv: to })} />
      )}
      {without !== 'aperture' && (
        <ApertureDial
          label={names.aperture}
          value={av}
          increment={apertureIncrement}
          onChange={(to) => put({ av: to })}
        />
      )}
      {without !== 'iso' && (
        <IsoDial label={names.iso} value={sv} increment={increment} onChange={(to) => put({ sv: to })} />
      )}
    </View>
  );
}
