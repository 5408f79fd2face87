import { useState } from 'react';
import { TextInput } from 'react-native-paper';

import { isWellFormed, withoutBroken } from '@sphene/core/gear';

interface KeptTextFieldProps {
  label: string;
  value: string;
  most: number;
  tall?: boolean;
  placeholder?: string;
  /** false: it is refused, and what was typed stays */
  onKeep: (text: string) => void | boolean;
}

/** A text that is kept when its field is left; of several lines where it is tall, else with Enter too. */
export function KeptTextField({ label, value, most, tall = false, placeholder, onKeep }: KeptTextFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = () => {
    const text = typed === null || isWellFormed(typed) ? typed : withoutBroken(typed);
    const isKept = text === null || text.trim() === value || onKeep(text.trim()) !== false;
    if (isKept) setTyped(null);
  };
  return (
    <TextInput
      label={label}
      accessibilityLabel={label}
      placeholder={placeholder}
      mode="outlined"
      dense
      multiline={tall}
      maxLength={most}
      value={typed ?? value}
      onChangeText={setTyped}
      onBlur={keep}
      onSubmitEditing={tall ? undefined : keep}
      style={{ flex: 1, minWidth: 0, ...(tall ? { minHeight: 96 } : {}) }}
    />
  );
}
