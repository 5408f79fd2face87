import { words } from '@/language/words';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { BackgroundControl } from '@/ui/BackgroundControl';
import { Chip } from '@/ui/Chip';
import { ChoiceList } from '@/ui/ChoiceList';
import { DayLine } from '@/ui/DayLine';
import { Disclosure } from '@/ui/Disclosure';
import { Histogram } from '@/ui/Histogram';
import { HoldBackControl } from '@/ui/HoldBackControl';
import { KnownMark } from '@/ui/KnownMark';
import { Ladder } from '@/ui/Ladder';
import { LongList } from '@/ui/LongList';
import { LookEntry } from '@/ui/LookEntry';
import { Mark } from '@/ui/Mark';
import { NextBar } from '@/ui/NextBar';
import PathIcon from '@/ui/PathIcon';
import { OfferCard } from '@/ui/OfferCard';
import { QrCode } from '@/ui/QrCode';
import { ReadingEntry } from '@/ui/ReadingEntry';
import { ClearKey, ReadingPad } from '@/ui/ReadingPad';
import { SheetView } from '@/ui/SheetView';
import { StageSketch } from '@/ui/StageSketch';
import { ToggleList } from '@/ui/ToggleList';
import { Heading, Txt } from '@/ui/Txt';
import { WhyPanel } from '@/ui/WhyPanel';
import { WhyRow } from '@/ui/WhyRow';
import { type IconName, iconPaths } from '@/ui/iconPaths';
import { SIZE } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { NOTHING_AROUND } from '@sphene/core/documents';
import { LOOK_WAY_IDS } from '@sphene/core/gear';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE } from '@sphene/core/sample';
import { dayOf, reachSpans, sunDay, sunTrack } from '@sphene/core/sky';
import { assistantCard, stageDrawing } from '@sphene/core/sheets';
import { solve } from '@sphene/core/solution';
import { DIALS } from './dialParts';
import { type GalleryPart, Held, nothing } from './held';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const HALL = solve(SAMPLE_HALL.setup, SAMPLE_KIT, SAMPLE_HALL.readings, CLOCK);
const TERRACE = solve(SAMPLE_TERRACE.setup, SAMPLE_KIT, SAMPLE_TERRACE.readings, CLOCK);
const HALL_SHEET = assistantCard(
  {
    ...SAMPLE_HALL,
    kit: SAMPLE_KIT,
    numbers: HALL,
    around: NOTHING_AROUND,
    atMs: CLOCK.getTime(),
  },
  words,
);
const HALL_WORDS = { setup: SAMPLE_HALL.setup, kit: SAMPLE_KIT };
const { shutter: CHAIN } = HALL.why;
if (CHAIN === undefined) throw new Error('the sample has a reason for its shutter');
const WHY = words.why(CHAIN, HALL_WORDS);

function Icons() {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      {(Object.keys(iconPaths) as IconName[]).map((name) => (
        <View key={name} style={{ alignItems: 'center', width: 88 }}>
          <PathIcon name={name} color={palette.text} />
          <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
            {name.replaceAll('-', ' ')}
          </Txt>
        </View>
      ))}
    </View>
  );
}

const THOUSANDS = Array.from({ length: 2000 }, (_, i) => i + 1);
const HOUR_MS = 3_600_000;
const MIDNIGHT = Date.parse('2026-02-26T23:00:00Z');
const TRACK = sunTrack(46.93, 10.21, MIDNIGHT, MIDNIGHT + 24 * HOUR_MS);
const DAY = dayOf(TRACK);
const POLAR = sunDay(78, 15, MIDNIGHT - 60 * 24 * HOUR_MS, MIDNIGHT - 59 * 24 * HOUR_MS);
const clockOf = (ms: number) => new Date(ms + HOUR_MS).toISOString().slice(11, 16);
const RIDGE = { fromDeg: 210, toDeg: 300, size: { by: 'angle', riseDeg: 14 }, leaves: false } as const;
const TREES = { ...RIDGE, fromDeg: 80, toDeg: 140, leaves: true } as const;
const EYES = { eastM: 0, northM: 0, upM: 1.6 };

/** A day with a ridge and trees, and the moment that is looked at. */
function SampleDay() {
  return (
    <Held start={MIDNIGHT + 16 * HOUR_MS}>
      {(atMs, put) => (
        <DayLine
          day={DAY}
          clock={clockOf}
          atMs={atMs}
          bars={[{ name: 'People', spans: reachSpans(TRACK, [RIDGE, TREES], EYES) }]}
          onDraft={put}
          onTime={put}
        />
      )}
    </Held>
  );
}

const TWO_WAYS = [
  { value: 'near', label: 'Near' },
  { value: 'far', label: 'Far', note: 'from 3 m' },
];
const LIGHTS = [
  { value: 'key', label: 'Key' },
  { value: 'fill', label: 'Fill', note: 'one stop under' },
  { value: 'rim', label: 'Rim' },
];

const ladder = (
  { points, latitude }: typeof HALL,
  setup: typeof SAMPLE_HALL.setup,
  over: Partial<{ compact: boolean; bare: boolean }>,
) => (
  <Ladder
    points={points}
    said={points.map((point) => words.point(point, { setup, kit: SAMPLE_KIT })).join(' ')}
    clipsAboveStops={over.bare ? null : (latitude?.clipsAboveStops ?? null)}
    noiseBelowStops={over.bare ? null : (latitude?.noiseBelowStops ?? null)}
    {...(over.compact === undefined ? null : { compact: over.compact })}
    onTone={nothing}
  />
);

const BUTTONS: GalleryPart[] = [
  {
    file: 'ActionButton',
    states: [
      { name: 'primary', shown: <ActionButton kind="primary" label="Use these" onPress={nothing} /> },
      { name: 'secondary', shown: <ActionButton label="Apply" onPress={nothing} /> },
      { name: 'plain', shown: <ActionButton kind="plain" label="Leave it" onPress={nothing} /> },
      { name: 'with an icon', shown: <ActionButton icon="plus" label="Add a light" onPress={nothing} /> },
      { name: 'off', shown: <ActionButton kind="primary" disabled label="Not yet" onPress={nothing} /> },
      { name: 'icon alone', shown: <IconButton icon="undo" name="Take it back" onPress={nothing} /> },
      { name: 'icon alone, off', shown: <IconButton icon="undo" name="Nothing to undo" disabled onPress={nothing} /> },
    ],
  },
  {
    file: 'NextBar',
    states: [
      {
        name: 'to be tapped',
        shown: <NextBar text="Meter the face" detail="dome to the lens" doing="Meter" onPress={nothing} />,
      },
      {
        name: 'with a way round it',
        shown: (
          <NextBar
            text="Set the camera: 1/160, f/4, ISO 200"
            detail="The light is another."
            doing="It is set"
            onPress={nothing}
            other={{ label: 'Later', onPress: nothing }}
          />
        ),
      },
      { name: 'said only', shown: <NextBar text="Shoot" detail="all is set" doing={null} onPress={nothing} /> },
    ],
  },
  {
    file: 'LongList',
    states: [
      {
        name: 'two thousand rows',
        shown: (
          <View style={{ height: 160 }}>
            <LongList
              head={<Txt bold>Two thousand rows</Txt>}
              items={THOUSANDS}
              keyOf={String}
              render={(row) => <Txt>{`Row ${row}`}</Txt>}
              usualPx={22}
              mostPx={400}
            />
          </View>
        ),
      },
    ],
  },
  {
    file: 'OfferCard',
    states: [
      {
        name: 'a change in one tap',
        shown: (
          <OfferCard
            title="Key at 3.4 m"
            lines={['Then 0.5 stops across the group.', 'The power follows.']}
            onApply={nothing}
          />
        ),
      },
    ],
  },
  {
    file: 'QrCode',
    states: [{ name: 'an address', shown: <QrCode text="https://sphene.example/card" said="A code of an address" /> }],
  },
  { file: 'SheetView', states: [{ name: 'the assistant’s card', shown: <SheetView sheet={HALL_SHEET} /> }] },
  {
    file: 'StageSketch',
    states: [
      {
        name: 'a window and a key',
        shown: <StageSketch drawing={stageDrawing(SAMPLE_HALL.setup, SAMPLE_KIT, HALL, words)} widthPx={320} />,
      },
    ],
  },
  { file: 'PathIcon', states: [{ name: 'every icon', shown: <Icons /> }] },
  { file: 'Mark', states: [{ name: 'our mark', shown: <Mark size={48} /> }] },
  {
    file: 'KnownMark',
    states: (['read', 'foretold', 'assumed'] as const).map((known) => ({
      name: known,
      shown: <KnownMark known={known} />,
    })),
  },
];

const TEXTS: GalleryPart[] = [
  {
    file: 'Txt',
    states: [
      ...(Object.keys(SIZE) as (keyof typeof SIZE)[]).map((size) => ({
        name: `size ${size}`,
        shown: <Txt size={size}>f/5.6 at 1/200, ISO 100</Txt>,
      })),
      ...(['text', 'quiet', 'accent', 'ambient', 'flash', 'danger'] as const).map((tone) => ({
        name: `tone ${tone}`,
        shown: (
          <Txt tone={tone} bold>
            Two stops under
          </Txt>
        ),
      })),
      {
        name: 'heading',
        shown: (
          <Heading level={3} size="value">
            Ambient
          </Heading>
        ),
      },
    ],
  },
  {
    file: 'WhyRow',
    states: [
      { name: 'with a reason', shown: <WhyRow label="Shutter" value="1/200" why={WHY} /> },
      { name: 'without one', shown: <WhyRow label="Filter" value="none" /> },
    ],
  },
  { file: 'WhyPanel', states: [{ name: 'lines that add up', shown: <WhyPanel why={WHY} /> }] },
  {
    file: 'Disclosure',
    states: [
      {
        name: 'folded away; a tap opens it',
        shown: (
          <Disclosure title="Where it stands" summary="2.2 m, 40° right of the camera">
            <Txt>What was folded away.</Txt>
          </Disclosure>
        ),
      },
    ],
  },
];

const CHOICES: GalleryPart[] = [
  {
    file: 'Chip',
    states: [
      {
        name: 'on, with a note',
        shown: <Chip role="checkbox" label="Far" note="from 3 m" noted on onPress={nothing} keys={{}} />,
      },
      {
        name: 'off',
        shown: <Chip role="checkbox" label="Near" note={undefined} noted on={false} onPress={nothing} keys={{}} />,
      },
    ],
  },
  {
    file: 'ChoiceList',
    states: [
      ...(['wrap', 'row', 'scroll'] as const).map((layout) => ({
        name: `layout ${layout}`,
        shown: (
          <Held start="near">
            {(value, put) => (
              <ChoiceList label={`Stands, ${layout}`} layout={layout} value={value} onChoose={put} choices={TWO_WAYS} />
            )}
          </Held>
        ),
      })),
      {
        name: 'nothing chosen',
        shown: <ChoiceList label="Stands where" value={undefined} onChoose={nothing} choices={TWO_WAYS} />,
      },
    ],
  },
  {
    file: 'ToggleList',
    states: [
      {
        name: 'some on',
        shown: (
          <Held start={['fill']}>
            {(values, put) => <ToggleList label="Lights that fire" values={values} onChange={put} choices={LIGHTS} />}
          </Held>
        ),
      },
    ],
  },
];

const LOOKS: GalleryPart[] = [
  {
    file: 'DayLine',
    states: [
      { name: 'a day with what the sun reaches', shown: <SampleDay /> },
      {
        name: 'a night without end',
        shown: <DayLine day={POLAR} clock={clockOf} atMs={POLAR.fromMs + HOUR_MS} onTime={nothing} />,
      },
    ],
  },
  {
    file: 'HoldBackControl',
    states: [
      {
        name: 'moody',
        shown: (
          <Held start={2}>
            {(value, put) => <HoldBackControl value={value} way="underTotal" onDraft={put} onChange={put} />}
          </Held>
        ),
      },
    ],
  },
  {
    file: 'LookEntry',
    states: LOOK_WAY_IDS.map((way) => ({
      name: `said as ${way.replaceAll('-', ' ')}`,
      shown: <Held start={1}>{(value, put) => <LookEntry way={way} value={value} onChange={put} />}</Held>,
    })),
  },
  {
    file: 'BackgroundControl',
    states: [
      {
        name: 'under mid grey',
        shown: (
          <Held start={-1.3}>
            {(value, put) => (
              <BackgroundControl
                name="Window wall"
                value={value}
                faceText="2 stops held back"
                onDraft={put}
                onChange={put}
              />
            )}
          </Held>
        ),
      },
    ],
  },
  {
    file: 'Ladder',
    states: [
      { name: 'a room, with flash', shown: ladder(HALL, SAMPLE_HALL.setup, {}) },
      { name: 'a terrace in the sun, no room for flash', shown: ladder(TERRACE, SAMPLE_TERRACE.setup, {}) },
      { name: 'before a camera is known', shown: ladder(HALL, SAMPLE_HALL.setup, { bare: true }) },
      { name: 'as a strip', shown: ladder(HALL, SAMPLE_HALL.setup, { compact: true }) },
      {
        name: 'nothing metered',
        shown: <Ladder points={[]} said="" clipsAboveStops={null} noiseBelowStops={null} />,
      },
    ],
  },
  {
    file: 'Histogram',
    states: [
      {
        name: 'three channels, some clipped',
        shown: (
          <Histogram
            frame={{
              name: 'frame 12',
              histogram: {
                red: Array.from({ length: 64 }, (_, bin) => 400 * Math.exp(-(((bin - 40) / 12) ** 2))),
                green: Array.from({ length: 64 }, (_, bin) => 420 * Math.exp(-(((bin - 34) / 11) ** 2))),
                blue: Array.from({ length: 64 }, (_, bin) => 380 * Math.exp(-(((bin - 26) / 12) ** 2))),
              },
              clipped: { highlights: [0.012, 0.004, 0], shadows: [0, 0.001, 0.02] },
            }}
          />
        ),
      },
    ],
  },
];

const READINGS: GalleryPart[] = [
  {
    file: 'ReadingPad',
    states: [
      ...(['aperture', 'shutter', 'iso'] as const).map((read) => ({
        name: `keys for ${read}`,
        shown: <Held start="">{(text, put) => <ReadingPad text={text} read={read} onText={put} />}</Held>,
      })),
      { name: 'clear', shown: <ClearKey onPress={nothing} disabled={false} /> },
      { name: 'nothing to clear', shown: <ClearKey onPress={nothing} disabled /> },
    ],
  },
  {
    file: 'ReadingEntry',
    states: [
      {
        name: 'empty',
        shown: (
          <Held start={{ av: 4, tv: 7, sv: 2 }}>
            {(held, put) => (
              <ReadingEntry
                label="Reading of the face"
                held={held}
                read="aperture"
                onHeld={put}
                meterIncrement="tenth"
                expectedEv100={9}
                decimalMeans={null}
                onDecimalMeans={nothing}
                saveLabel="Take it"
                onEntering={nothing}
                onSave={nothing}
              />
            )}
          </Held>
        ),
      },
    ],
  },
];

/** Every part of `ui`, in the order in which a page is made of them. A test holds it against the folder. */
export const PARTS: readonly GalleryPart[] = [...TEXTS, ...BUTTONS, ...CHOICES, ...DIALS, ...LOOKS, ...READINGS];
