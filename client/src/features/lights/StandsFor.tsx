import { texts } from './texts';
import { words } from '@/language/words';
import { useChange } from '@/setupView/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';

import { type Light, LIGHT_ROLES, lightPath, type Motive, MOTIVES } from '@sphene/core/setup';

interface StandsForProps {
  /** what stands for something: `Motivated B` */
  name: string;
  value: Motive | null;
  onChoose: (motive: Motive | null) => void;
}

/** What a motivated light or lamp imitates: its side, height, colour and level are held against that. */
export const StandsFor = ({ name, value, onChoose }: StandsForProps) => (
  <ChoiceList
    label={texts.standsFor(name)}
    layout="scroll"
    value={value}
    onChoose={onChoose}
    choices={[
      { value: null, label: texts.notSaid },
      ...MOTIVES.map((motive) => ({ value: motive, label: words.motive(motive) })),
    ]}
  />
);

/** What a flash does in the picture, and what it then stands for. */
export function RoleChoice({ light, index }: { light: Light; index: number }) {
  const { changeOne } = useChange();
  return (
    <>
      <ChoiceList
        label={texts.role}
        value={light.role}
        onChoose={(role) => changeOne(lightPath(index, 'role'), role)}
        choices={[...LIGHT_ROLES].reverse().map((role) => ({ value: role, label: words.lightRole(role).name }))}
      />
      {light.role === 'motivated' && (
        <StandsFor
          name={words.light(light)}
          value={light.standsFor}
          onChoose={(motive) => changeOne(lightPath(index, 'standsFor'), motive)}
        />
      )}
    </>
  );
}
