import { texts } from './texts';
import { useDragged, useNumbers } from '@/setupView/setupContext';
import { type Part, PARTS } from '@/setupView/shortcuts';
import { ChosenWedge } from '@/ui/Chip';
import { ladderPx } from '@/ui/Ladder';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useLayoutEffect, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import { Dials, DIALS_LINE_PX, DialsLine } from './Dials';
import { CONTENT } from './parts';
import { SetupLadder } from './SetupLadder';

/** The parts as tabs: one at a time on a phone. */
function PartTabs({ part, onPart }: { part: Part; onPart: (part: Part) => void }) {
  const palette = usePalette();
  return (
    <View
      role="tablist"
      aria-label={texts.partsOfTheSetup}
      style={{ flexDirection: 'row', borderBottomWidth: 1, borderBottomColor: palette.control }}
    >
      {PARTS.map(({ part: one, label }) => {
        const chosen = one === part;
        return (
          <Pressable
            key={one}
            role="tab"
            aria-selected={chosen}
            onPress={() => onPart(one)}
            style={{
              flexGrow: 1,
              minHeight: TOUCH,
              alignItems: 'center',
              justifyContent: 'center',
            }}
          >
            <Txt size="label" bold={chosen} tone={chosen ? 'text' : 'quiet'}>
              {label}
            </Txt>
            {chosen && <ChosenWedge />}
          </Pressable>
        );
      })}
    </View>
  );
}

const HEAD_TOP_PX = 8;
const TABS_PX = TOUCH + 1;

/** Scrolled this far the ladder becomes a strip; back at the top it opens again. */
const SHRINK_AT = 40;

/** What the head of each part shows: with the look all that is to be dialled, beside the work a line of it. */
const HEADS: Record<Part, { dials: 'large' | 'line'; strip: boolean }> = {
  ambient: { dials: 'line', strip: true },
  look: { dials: 'large', strip: false },
  camera: { dials: 'line', strip: false },
  flash: { dials: 'line', strip: false },
  stage: { dials: 'line', strip: true },
  check: { dials: 'line', strip: true },
  log: { dials: 'line', strip: true },
};

/** One part at a time. Ladder and tabs lie over the scrolled part, so that nothing moves under the thumb when the ladder shrinks. */
export function PhoneParts({ part, onPart }: { part: Part; onPart: (part: Part) => void }) {
  const palette = usePalette();
  const [scrolled, setScrolled] = useState(false);
  const dialsBox = useRef<HTMLElement | null>(null);
  const [dialsPx, setDialsPx] = useState(DIALS_LINE_PX);
  const numbers = useNumbers();
  const tones = numbers.points.length;
  const Content = CONTENT[part];
  const { dials, strip } = HEADS[part];
  const compact = scrolled || strip;
  const headPx = HEAD_TOP_PX + dialsPx + ladderPx(tones, strip) + TABS_PX;
  // what shrinks while it is scrolled opens again at the top: the part keeps its place meanwhile. Room for one more tone comes in the
  // same frame as the tone, or a button would slip from under a finger that is down on it. Nothing is measured while something is under
  // the thumb: the page would lay itself out twice in each frame
  const held = useDragged();
  useLayoutEffect(() => {
    if (held) return;
    const tall = dialsBox.current?.offsetHeight ?? 0;
    // a screen that lies hidden under another has no height
    const isHidden = dialsBox.current?.offsetParent == null;
    if (!scrolled && !isHidden) setDialsPx(tall);
  }, [scrolled, part, numbers, held]);
  return (
    <View style={{ flex: 1 }}>
      <View style={{ position: 'absolute', top: 0, left: 0, right: 0, zIndex: 1, backgroundColor: palette.ground }}>
        <View style={{ paddingHorizontal: 16, paddingTop: HEAD_TOP_PX }}>
          <View
            ref={(node) => {
              dialsBox.current = node as unknown as HTMLElement | null;
            }}
          >
            {dials === 'large' && !compact ? <Dials /> : <DialsLine />}
          </View>
          <SetupLadder
            compact={compact}
            onTone={() => {
              setScrolled(false);
              onPart('ambient');
            }}
          />
        </View>
        <PartTabs
          part={part}
          onPart={(next) => {
            setScrolled(false);
            onPart(next);
          }}
        />
      </View>
      <ScrollView
        key={part}
        role="tabpanel"
        aria-label={PARTS.find((one) => one.part === part)?.label ?? ''}
        tabIndex={0}
        style={{ flex: 1, scrollPaddingTop: headPx } as object}
        contentContainerStyle={{ padding: 16, paddingTop: headPx + 12 }}
        keyboardShouldPersistTaps="handled"
        scrollEventThrottle={32}
        onScroll={({ nativeEvent }) => setScrolled(nativeEvent.contentOffset.y > SHRINK_AT)}
      >
        <Content />
      </ScrollView>
    </View>
  );
}
