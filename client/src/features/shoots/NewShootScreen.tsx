import { texts } from './texts';
import { todayHere } from '@/shell/formatDay';
import { freshNames } from './freshNames';
import { sayRule } from '@/language/words';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { DayPicker } from '@/ui/DayPicker';
import { Disclosure } from '@/ui/Disclosure';
import { Screen } from '@/shell/Screen';
import { Txt } from '@/ui/Txt';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'expo-router';
import { type Control, Controller, type FieldPath, useForm, useWatch } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';
import type { z } from 'zod';

import { enteredShootSchema } from '@sphene/core/documents';

const formSchema = enteredShootSchema.pick({ title: true, date: true, place: true, timeZone: true });
type Form = z.infer<typeof formSchema>;

function Field({
  control,
  name,
  label,
  hint,
}: {
  control: Control<Form>;
  name: FieldPath<Form>;
  label: string;
  hint: string;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange, onBlur }, fieldState: { error } }) => (
        <View style={{ gap: 2 }}>
          <TextInput
            label={label}
            accessibilityLabel={label}
            mode="outlined"
            value={value}
            onChangeText={onChange}
            onBlur={onBlur}
            error={error !== undefined}
          />
          {error === undefined ? (
            <Txt size="label" tone="quiet">
              {hint}
            </Txt>
          ) : (
            <Txt size="label" tone="danger" role="alert">
              {sayRule(error.message)}
            </Txt>
          )}
        </View>
      )}
    />
  );
}

/** A new shoot: what, when and where; the first spot with its setup is made along with it. */
export function NewShootScreen() {
  const router = useRouter();
  const actions = useActions();
  const { control, handleSubmit } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: { title: '', place: '', ...todayHere() },
  });
  const timeZone = useWatch({ control, name: 'timeZone' });
  const create = handleSubmit((facts) =>
    router.replace({ pathname: '/shoot/[id]', params: { id: actions.createShoot(facts, freshNames(0, 0)) } }),
  );
  return (
    <Screen title={texts.newShoot} up="/">
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 16, maxWidth: 560, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <Field control={control} name="title" label={texts.name} hint={texts.whoOrWhatItIs} />
        <Controller
          control={control}
          name="date"
          render={({ field: { value, onChange } }) => (
            <DayPicker label={texts.date} value={value} onChange={onChange} />
          )}
        />
        <Field control={control} name="place" label={texts.place} hint={texts.mayStayEmpty} />
        <Disclosure title={texts.timeZoneOfThePlace} summary={texts.ofThisDevice(timeZone)}>
          <Field control={control} name="timeZone" label={texts.timeZoneOfThePlace} hint={texts.theLogSTimesAre} />
        </Disclosure>
        <ActionButton label={texts.makeTheShoot} kind="primary" onPress={() => void create()} />
      </ScrollView>
    </Screen>
  );
}
