import { texts } from './texts';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { GEAR_SCHEMAS, GEAR_TYPES, type GearItem, type GearList } from '@sphene/core/gear';
import { chosen, type Draft, FIELDS, valueAt, withValueAt } from './fields';

interface GearFormProps {
  list: GearList;
  /** the thing as it is, or the start of a new one; id and retired among it */
  start: Draft;
  onSave: (item: GearItem) => void;
  onCancel: () => void;
}

/** A form for one thing of the kit. What cannot be read stays in its field with what would be right. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function GearForm({ list, start, onSave, onCancel }: GearFormProps) {
  const [draft, setDraft] = useState<Draft>(start);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [problems, setProblems] = useState<Record<string, string>>({});
  const fields = FIELDS[list].filter(({ when }) => when?.(draft) ?? true);
  const type = (path: string, text: string) => {
    setTyped({ ...typed, [path]: text });
    setProblems({ ...problems, [path]: '' });
  };
  const save = () => {
    const found: Record<string, string> = {};
    let next = draft;
    for (const { path, read, example, label, choices } of fields) {
      const text = typed[path];
      if (choices !== undefined || text === undefined) continue;
      const value = read(text);
      if (value === undefined) found[path] = texts.isNoWriteItAs(text.trim(), label.toLowerCase(), example);
      else next = withValueAt(next, path, value);
    }
    const parsed = GEAR_SCHEMAS[list].safeParse({ ...next, ...GEAR_TYPES[list] });
    if (!parsed.success)
      for (const { path, message } of parsed.error.issues) {
        const field = fields
          .filter((one) => path.join('.').startsWith(one.path))
          .sort((a, b) => b.path.length - a.path.length)[0];
        const key = field?.path ?? 'name';
        found[key] ||=
          key === 'name' && path[0] === 'name'
            ? texts.giveItANameOf
            : `${message}. Write it as ${field?.example ?? ''}.`;
      }
    setProblems(found);
    if (parsed.success && Object.keys(found).length === 0) onSave(parsed.data);
  };
  return (
    <View role="form" aria-label={texts.gear} style={{ gap: 12 }}>
      {fields.map(({ path, label, hint, choices, show }) => {
        const problem = problems[path];
        if (choices !== undefined)
          return (
            <ChoiceList
              key={path}
              label={label}
              value={show(valueAt(draft, path))}
              onChoose={(value) =>
                setDraft(
                  path === 'highSpeedSync' ? withValueAt(draft, path, value === 'true') : chosen(draft, path, value),
                )
              }
              choices={choices.filter(({ value }) => value !== 'table' || valueAt(draft, 'beam.kind') === 'table')}
            />
          );
        return (
          <View key={path} style={{ gap: 2 }}>
            <TextInput
              label={label}
              accessibilityLabel={label}
              mode="outlined"
              value={typed[path] ?? show(valueAt(draft, path))}
              onChangeText={(text) => type(path, text)}
              onSubmitEditing={save}
              error={Boolean(problem)}
            />
            {problem ? (
              <Txt size="label" tone="danger" role="alert">
                {problem}
              </Txt>
            ) : (
              hint !== undefined && (
                <Txt size="label" tone="quiet">
                  {hint}
                </Txt>
              )
            )}
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <ActionButton label={texts.save} kind="primary" grow onPress={save} />
        <ActionButton label={texts.cancel} onPress={onCancel} />
      </View>
    </View>
  );
}
