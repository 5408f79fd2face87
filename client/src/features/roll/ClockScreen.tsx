import { texts } from './texts';
import { QrCode } from '@/ui/QrCode';
import { Screen } from '@/shell/Screen';
import { clock } from '@/store/ids';
import { Txt } from '@/ui/Txt';
import { format } from 'date-fns/format';
import { useEffect, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { clockCode } from './clockCode';

const SECOND_MS = 1000;
/** As large as it may be: a code is read off a photograph. */
const MOST_PX = 560;

/** The time with seconds, and the same as a code: photographed by a camera, it tells how far that one's clock is off. */
export function ClockScreen() {
  const { width, height } = useWindowDimensions();
  const [ms, setMs] = useState(() => clock.now());
  useEffect(() => {
    const ticking = setInterval(() => setMs(clock.now()), SECOND_MS);
    return () => clearInterval(ticking);
  }, []);
  const sizePx = Math.min(MOST_PX, width - 32, Math.max(200, height - 260));
  return (
    <Screen title={texts.clock} up="back">
      <View style={{ alignItems: 'center', padding: 16, gap: 16 }}>
        <Txt size="figure" bold>
          {format(ms, 'HH:mm:ss')}
        </Txt>
        <QrCode text={clockCode(ms)} said={texts.clockCode} sizePx={sizePx} />
        <Txt style={{ maxWidth: MOST_PX }}>{texts.clockWhat}</Txt>
      </View>
    </Screen>
  );
}
