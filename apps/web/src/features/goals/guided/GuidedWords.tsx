import { dayOf, parseDay } from '@wimbel/core';
import { View } from 'react-native';
import { selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { dateNear } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { FieldRow } from '../../../ui/FormPage.tsx';
import { Words } from '../../../ui/Words.tsx';
import { type PageProps, spanChoices } from './guidedDraft.ts';

export function WhatPage({ draft, set, fault, onDone }: PageProps & { onDone: () => void }) {
  return (
    <>
      <Field
        label="The goal"
        value={draft.title}
        onChangeText={(title) => set({ title })}
        onSubmitEditing={onDone}
        placeholder="Sail to the island and back"
        maxLength={200}
        error={fault ?? undefined}
        autoFocus
      />
      <Field
        label="Why it matters"
        value={draft.why}
        onChangeText={(why) => set({ why })}
        multiline
        maxLength={5000}
        hint="You will read this on a bad day."
      />
    </>
  );
}

export function DonePage({ draft, set }: PageProps) {
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  return (
    <>
      <Field
        label="Done when"
        value={draft.doneWhen}
        onChangeText={(doneWhen) => set({ doneWhen })}
        multiline
        maxLength={5000}
        placeholder="She carries two people over and home in one tide"
        autoFocus
      />
      {areas.length === 0 ? null : (
        <Labelled label="Area">
          <Chips
            label="Area"
            chips={[
              { value: '', label: 'None' },
              ...areas.map((area) => ({ value: area.id, label: area.name, dot: dyeColor(colors, area.color) })),
            ]}
            chosen={[draft.areaId]}
            onPress={(areaId) => set({ areaId })}
          />
        </Labelled>
      )}
    </>
  );
}

export function WhenPage({ draft, set, fault, today }: PageProps) {
  const starts = parseDay(draft.startsOn) ?? today;
  const isPast = parseDay(draft.dueOn) !== null && dayOf(draft.dueOn) < today;
  return (
    <>
      <Labelled label="Until the end of">
        <Chips
          label="Until the end of"
          chips={spanChoices(starts)}
          chosen={[draft.dueOn]}
          onPress={(dueOn) => set({ dueOn })}
        />
      </Labelled>
      <FieldRow>
        <View style={{ flex: 1, minWidth: 150 }}>
          <Field label="Starts on" value={draft.startsOn} onChangeText={(startsOn) => set({ startsOn })} isDate />
        </View>
        <View style={{ flex: 1, minWidth: 150 }}>
          <Field
            label="Due on"
            value={draft.dueOn}
            onChangeText={(dueOn) => set({ dueOn })}
            isDate
            error={fault ?? undefined}
            hint="Leave empty for no due day."
          />
        </View>
      </FieldRow>
      {isPast ? <Words tone="quiet">That day, {dateNear(dayOf(draft.dueOn), today)}, is past already.</Words> : null}
    </>
  );
}
