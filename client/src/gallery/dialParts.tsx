import { words } from '@/language/words';
import { DayPicker } from '@/ui/DayPicker';
import { ExposureDials } from '@/ui/ExposureDials';
import { MarkedSlider } from '@/ui/MarkedSlider';
import { StopDial } from '@/ui/StopDial';
import {
  ApertureDial,
  DistanceDial,
  HeightDial,
  IsoDial,
  NumberDial,
  PowerDial,
  ShutterDial,
  SideDial,
  StopsDial,
  ToneDial,
} from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { failure, INCREMENT_STOPS } from '@sphene/core/photometry';
import { SAMPLE_KIT } from '@sphene/core/sample';
import { type GalleryPart, Held, nothing } from './held';

const [UNIT] = SAMPLE_KIT.flashUnits;

/** A bare track: what the slider itself brings is seen. */
function PlainTrack() {
  const palette = usePalette();
  return <View style={{ flex: 1, backgroundColor: palette.raised }} />;
}

/** Everything that steps a value. */
export const DIALS: GalleryPart[] = [
  {
    file: 'DayPicker',
    states: [
      {
        name: 'a day',
        shown: (
          <Held start="2026-02-27">{(value, put) => <DayPicker label="Date" value={value} onChange={put} />}</Held>
        ),
      },
    ],
  },
  {
    file: 'StopDial',
    states: [
      {
        name: 'at an end, with a note and a way back',
        shown: (
          <StopDial
            label="Shutter held"
            text="1/200"
            down={{ name: 'slower', onPress: nothing }}
            up={{ name: 'faster', onPress: nothing, disabled: true }}
            parse={() => failure('Keep it at 1/200 or slower.')}
            onChange={nothing}
            note="set here"
            onReset={nothing}
          />
        ),
      },
    ],
  },
  {
    file: 'dials',
    states: [
      {
        name: 'aperture',
        shown: (
          <Held start={5}>
            {(av, put) => <ApertureDial label="Aperture" value={av} increment="third" onChange={put} />}
          </Held>
        ),
      },
      {
        name: 'shutter',
        shown: (
          <Held start={7}>
            {(tv, put) => <ShutterDial label="Shutter" value={tv} increment="third" onChange={put} />}
          </Held>
        ),
      },
      {
        name: 'ISO',
        shown: (
          <Held start={2}>{(sv, put) => <IsoDial label="ISO" value={sv} increment="third" onChange={put} />}</Held>
        ),
      },
      {
        name: 'stops, signed',
        shown: (
          <Held start={-1}>
            {(stops, put) => (
              <StopsDial
                label="Feel"
                value={stops}
                least={-3}
                most={3}
                step={INCREMENT_STOPS.third}
                signed
                onChange={put}
              />
            )}
          </Held>
        ),
      },
      {
        name: 'tone',
        shown: <Held start={1}>{(stops, put) => <ToneDial label="Tone" value={stops} onChange={put} />}</Held>,
      },
      {
        name: 'number',
        shown: (
          <Held start={50}>
            {(mm, put) => (
              <NumberDial
                label="Focal length"
                unit="mm"
                least={10}
                most={400}
                step={5}
                decimals={0}
                value={mm}
                onChange={put}
              />
            )}
          </Held>
        ),
      },
      {
        name: 'distance in metres and in feet',
        shown: (
          <View style={{ flexDirection: 'row', gap: 8 }}>
            {(['m', 'ft'] as const).map((unit) => (
              <Held key={unit} start={2.2}>
                {(metres, put) => (
                  <DistanceDial label={`Distance, ${unit}`} unit={unit} value={metres} onChange={put} />
                )}
              </Held>
            ))}
          </View>
        ),
      },
      {
        name: 'height',
        shown: (
          <Held start={0.6}>
            {(metres, put) => <HeightDial label="Height" unit="m" value={metres} onChange={put} />}
          </Held>
        ),
      },
      {
        name: 'side',
        shown: <Held start={40}>{(deg, put) => <SideDial label="Side" value={deg} onChange={put} />}</Held>,
      },
      ...(UNIT === undefined
        ? []
        : [
            {
              name: 'power on its own scale',
              shown: (
                <Held start={-3}>
                  {(stops, put) => <PowerDial label="Power" unit={UNIT} value={stops} onChange={put} />}
                </Held>
              ),
            },
          ]),
    ],
  },
  {
    file: 'ExposureDials',
    states: (['the three', 'beside an aperture that is read'] as const).map((name, index) => ({
      name,
      shown: (
        <Held start={{ av: 4, tv: 7, sv: 2 }}>
          {(value, put) => (
            <ExposureDials
              names={{ shutter: `Shutter ${index + 1}`, aperture: 'Aperture of three', iso: `ISO ${index + 1}` }}
              value={value}
              {...(index === 0 ? null : { without: 'aperture' })}
              onChange={put}
            />
          )}
        </Held>
      ),
    })),
  },
  {
    file: 'MarkedSlider',
    states: [
      {
        name: 'with usual places',
        shown: (
          <Held start={1}>
            {(value, put) => (
              <MarkedSlider
                label="Background over the face"
                value={value}
                range={{ least: -3, most: 3 }}
                marks={[
                  { value: -2, name: 'Low', note: '−2', words: 'two stops under' },
                  { value: 0, name: 'Level', note: '0', words: 'level' },
                  { value: 2, name: 'High', note: '+2', words: 'two stops over' },
                ]}
                said={words.stops(value)}
                less="A tenth less"
                more="A tenth more"
                track={() => <PlainTrack />}
                onDraft={put}
                onChange={put}
              />
            )}
          </Held>
        ),
      },
    ],
  },
];
