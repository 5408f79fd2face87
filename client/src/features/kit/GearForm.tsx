import { texts } from './texts';
import { words } from '@/language/words';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import {
  GEAR_SCHEMAS,
  GEAR_TYPES,
  type GearItem,
  type GearList,
  type SchemaFault,
  schemaFault,
} from '@sphene/core/gear';
import { type Draft, type Field, valueAt, withValueAt } from './field';
import { FIELDS } from './fields';
import { chosen } from './templates';

interface GearFormProps {
  list: GearList;
  /** the thing as it is, or the start of a new one; id and retired among it */
  start: Draft;
  onSave: (item: GearItem) => void;
  onCancel: () => void;
}

type Problems = Record<string, string>;

/** What was typed, laid into the thing; where it cannot be read, what would be right. */
function readTyped(fields: readonly Field[], typed: Record<string, string>, draft: Draft) {
  const problems: Problems = {};
  let next = draft;
  for (const { path, read, example, label, choices } of fields) {
    const text = typed[path];
    if (choices !== undefined || text === undefined) continue;
    const value = read(text);
    if (value === undefined) problems[path] = texts.isNoWriteItAs(text.trim(), label.toLowerCase(), example);
    else next = withValueAt(next, path, value);
  }
  return { next, problems };
}

/** What the schema refuses, each said at the field that it belongs to. */
function refusedBySchema({ issues }: SchemaFault, fields: readonly Field[]): Problems {
  const problems: Problems = {};
  for (const issue of issues) {
    const { path } = issue;
    const field = fields
      .filter((one) => path.join('.').startsWith(one.path))
      .sort((a, b) => b.path.length - a.path.length)[0];
    const key = field?.path ?? 'name';
    problems[key] ||=
      path[0] === 'name' ? texts.giveItANameOf : texts.writeItAs(words.schemaIssue(issue), field?.example ?? '');
  }
  return problems;
}

/** A field that is typed, with what it means or what would be right under it. */
function TypedField({
  field: { label, hint },
  text,
  problem,
  onType,
  onSubmit,
}: {
  field: Field;
  text: string;
  problem: string | undefined;
  onType: (text: string) => void;
  onSubmit: () => void;
}) {
  const wrong = problem !== undefined && problem !== '';
  return (
    <View style={{ gap: 2 }}>
      <TextInput
        label={label}
        accessibilityLabel={label}
        mode="outlined"
        value={text}
        onChangeText={onType}
        onSubmitEditing={onSubmit}
        error={wrong}
      />
      {wrong && (
        <Txt size="label" tone="danger" role="alert">
          {problem}
        </Txt>
      )}
      {!wrong && hint !== undefined && (
        <Txt size="label" tone="quiet">
          {hint}
        </Txt>
      )}
    </View>
  );
}

/** A field with few values. */
function ChosenField({ field, draft, onDraft }: { field: Field; draft: Draft; onDraft: (draft: Draft) => void }) {
  const { path, label, show, choices = [] } = field;
  return (
    <ChoiceList
      label={label}
      value={show(valueAt(draft, path))}
      onChoose={(value) => onDraft(chosen(draft, path, value))}
      choices={choices.filter(({ value }) => value !== 'table' || valueAt(draft, 'beam.kind') === 'table')}
    />
  );
}

/** A form for one thing of the kit. What cannot be read stays in its field with what would be right. */
export function GearForm({ list, start, onSave, onCancel }: GearFormProps) {
  const [draft, setDraft] = useState<Draft>(start);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [problems, setProblems] = useState<Problems>({});
  const fields = FIELDS[list].filter(({ when }) => when?.(draft) ?? true);
  const save = () => {
    const { next, problems: unread } = readTyped(fields, typed, draft);
    const parsed = GEAR_SCHEMAS[list].safeParse({ ...next, ...GEAR_TYPES[list] });
    const refused = parsed.success ? {} : refusedBySchema(schemaFault(parsed.error), fields);
    setProblems({ ...refused, ...unread });
    if (parsed.success && Object.keys(unread).length === 0) onSave(parsed.data);
  };
  return (
    <View role="form" aria-label={texts.gear} style={{ gap: 12 }}>
      {fields.map((field) => {
        const { path } = field;
        if (field.choices !== undefined)
          return <ChosenField key={path} field={field} draft={draft} onDraft={setDraft} />;
        return (
          <TypedField
            key={path}
            field={field}
            text={typed[path] ?? field.show(valueAt(draft, path))}
            problem={problems[path]}
            onType={(text) => {
              setTyped({ ...typed, [path]: text });
              setProblems({ ...problems, [path]: '' });
            }}
            onSubmit={save}
          />
        );
      })}
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <ActionButton label={texts.save} kind="primary" grow onPress={save} />
        <ActionButton label={texts.cancel} onPress={onCancel} />
      </View>
    </View>
  );
}
