import { texts } from './texts';
import { words } from '@/language/words';
import { useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';

import { anotherPlace } from '@sphene/core/explain';
import { useLeaving } from './useVariants';

/** One tap: this one is set aside, and the light goes to a usual place where it stood in no variant yet. */
export function TryAnotherPlace({ index }: { index: number }) {
  const { setup } = useSetup();
  const leave = useLeaving();
  const { stage } = useNumbers();
  const light = setup.lights[index];
  const place = anotherPlace(setup, index, stage.openSide?.side ?? null);
  if (light === undefined) return null;
  if (place === undefined)
    return (
      <Txt size="label" tone="quiet">
        {texts.everyPlaceTried}
      </Txt>
    );
  return (
    <ActionButton
      label={texts.tryAnotherPlace}
      name={texts.tryAnotherPlaceFor(words.light(light))}
      onPress={() => leave(...place.settings)}
    />
  );
}
