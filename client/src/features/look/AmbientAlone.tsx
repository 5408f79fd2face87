import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { newId } from '@/store/ids';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { OfferCard } from '@/ui/OfferCard';
import { Heading, Txt } from '@/ui/Txt';
import { StopsDial } from '@/ui/dials';
import { useMemo } from 'react';
import { View } from 'react-native';

import { CONTRAST_MET_STOPS } from '@sphene/core/balance';
import { formatStopCount } from '@sphene/core/notation';
import { contrastWays } from '@sphene/core/panels';
import { stopsToRatio } from '@sphene/core/photometry';

/** Which of the two domes at the face the exposure is set by, before both were taken too. */
function ByWhichDome() {
  const { look } = useSetup().setup;
  const { changeOne } = useChange();
  return (
    <ChoiceList
      label={texts.faceSetBy}
      layout="row"
      value={look.faceBy}
      onChoose={(by) => changeOne('look.faceBy', by)}
      choices={[
        { value: 'camera', label: texts.domeToTheLens, note: texts.open },
        { value: 'light', label: texts.domeToTheLight, note: texts.deeper },
      ]}
    />
  );
}

/** What gives the contrast that is wished; worked out while it is looked at. */
function Ways() {
  const { setup, context } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const ways = useMemo(
    () => contrastWays({ setup, kit, facts, clock: new Date(clockMs) }, { panelId: newId(), lampId: newId() }),
    [setup, kit, facts, clockMs],
  );
  if (ways.length === 0) return <Txt tone="quiet">{texts.nothingNearer}</Txt>;
  return (
    <View role="list" aria-label={texts.waysToTheContrast} style={{ gap: 8 }}>
      {ways.map((one) => {
        const { title, line } = words.contrastWay(one, context);
        return (
          <View role="listitem" key={one.way.kind}>
            <OfferCard title={title} lines={[line]} onApply={() => change(...one.settings)} />
          </View>
        );
      })}
    </View>
  );
}

/** The contrast of the face against the one that is wished: whether fill is needed, and what gives it. */
function FaceContrast() {
  const { setup } = useSetup();
  const { lift } = useNumbers();
  const { changeOne } = useChange();
  const { faceContrastStops } = setup.look;
  const off = lift === null ? 0 : Math.abs(lift.needStops);
  return (
    <View style={{ gap: 8 }}>
      <Heading>{texts.contrastOnTheFace}</Heading>
      <StopsDial
        label={texts.contrastWished}
        value={faceContrastStops}
        least={0}
        most={6}
        step={0.1}
        onChange={(value) => changeOne('look.faceContrastStops', value)}
        note={words.lightingRatio({ ratio: stopsToRatio(faceContrastStops), stops: faceContrastStops })}
      />
      {lift === null ? (
        <Txt tone="quiet">{texts.meterBothSides}</Txt>
      ) : (
        <>
          <Txt role="status">
            {lift.needStops > CONTRAST_MET_STOPS
              ? (lift.needStops > lift.mayStops ? texts.fillIsNeeded : texts.fillIsNotNeeded)(
                  formatStopCount(lift.contrastStops),
                  formatStopCount(lift.needStops),
                  formatStopCount(lift.mayStops),
                )
              : texts.contrastIs(formatStopCount(lift.contrastStops), formatStopCount(lift.mayStops))}
          </Txt>
          {off > CONTRAST_MET_STOPS && (
            <Disclosure title={texts.waysToTheContrast} summary={texts.waysWhy}>
              <Ways />
            </Disclosure>
          )}
        </>
      )}
    </View>
  );
}

/** The look where no light is added: no share, nothing held back; the contrast that is wished is the target. */
export function AmbientAlone() {
  const { exposeBy } = useSetup().setup.look;
  return (
    <>
      <Txt>{texts.ambientAlone}</Txt>
      {exposeBy === 'face' && <ByWhichDome />}
      <FaceContrast />
    </>
  );
}
