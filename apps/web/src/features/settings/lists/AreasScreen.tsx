import { type Area, DYES, type Dye } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo, newId, removalOf } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectAreas, selectHabits } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor, dyeOf, isOwnColor } from '../../../theme/dye.ts';
import { ColorField } from '../../../ui/ColorField.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { SortableList } from '../../../ui/SortableList.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { PATHS } from '../../../platform/paths.ts';

/** The colours of areas, as people call them. */
const COLOUR_WORDS: Record<(typeof DYES)[number], string> = {
  verdigris: 'Teal',
  woad: 'Blue',
  clay: 'Rust',
  plum: 'Purple',
  moss: 'Green',
  slate: 'Grey',
  weld: 'Gold',
  madder: 'Red',
};

/** The areas in order, with their colours. */
export function AreasScreen() {
  const styles = useStyles();
  const { colors } = useTheme();
  const { change } = useRecording();
  const areas = useAppSelector(selectAreas);
  const habits = useAppSelector(selectHabits);
  const [edited, setEdited] = useState<Area | 'new' | null>(null);
  return (
    <Page>
      <PageHead title="Areas" backTo={PATHS.settings}>
        <Button icon={<Plus size={18} color={colors.ink} />} onPress={() => setEdited('new')}>
          Add an area
        </Button>
      </PageHead>
      {areas.length === 0 ? (
        <EmptyState title="No areas yet" text="An area gathers habits and goals that belong together, in one colour." />
      ) : (
        <Card isFlush style={styles.list}>
          <SortableList
            label="Areas"
            items={areas}
            onOrder={(ids) => change(...reordered(areas, ids).map((each) => changeTo('areas', each)))}
          >
            {(area) => (
              <View style={styles.line}>
                <View style={[styles.dot, { backgroundColor: dyeColor(colors, area.color) }]} />
                <View style={styles.name}>
                  <Words type="name" numberOfLines={3}>
                    {area.name}
                  </Words>
                  <Words type="quiet" tone="quiet">
                    {counted(habits.filter((habit) => habit.areaId === area.id).length, 'habit')}
                  </Words>
                </View>
                <Button kind="bare" label={`Edit ${area.name}`} onPress={() => setEdited(area)}>
                  Edit
                </Button>
              </View>
            )}
          </SortableList>
        </Card>
      )}
      {edited === null ? null : <AreaSheet area={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </Page>
  );
}

/** Stands for a person's own colour among the chips. */
const OWN = 'own';

function AreaSheet({ area, onClose }: { area: Area | null; onClose: () => void }) {
  const styles = useStyles();
  const { colors, isDark } = useTheme();
  const { change } = useRecording();
  const toast = useToast();
  const areas = useAppSelector(selectAreas);
  const [name, setName] = useState(area?.name ?? '');
  const [color, setColor] = useState<string>(area ? dyeOf(area.color) : DYES[areas.length % DYES.length]!);
  const isOwn = isOwnColor(color);
  const [fault, setFault] = useState<string | undefined>();
  const save = (): void => {
    if (name.trim() === '') {
      setFault('Give the area a name');
      return;
    }
    const next: Area = {
      ...(area ?? { id: newId(), order: (areas.at(-1)?.order ?? -1) + 1 }),
      name: name.trim(),
      color,
    };
    toast({
      text: area ? `${next.name} is changed` : `${next.name} is added`,
      onUndo: change(changeTo('areas', next)),
    });
    onClose();
  };
  const remove = (): void => {
    if (area === null) return;
    toast({
      text: `${area.name} is deleted; its habits stay, without an area`,
      onUndo: change(removalOf('areas', area.id)),
    });
    onClose();
  };
  return (
    <Sheet title={area ? area.name : 'A new area'} onClose={onClose}>
      <Field
        label="Name"
        value={name}
        onChangeText={setName}
        error={fault}
        maxLength={80}
        autoFocus
        onSubmitEditing={save}
      />
      <Labelled label="Colour" hint="Shows on every screen at once.">
        <Chips
          label="Colour"
          chips={[
            ...DYES.map((dye) => ({ value: dye, label: COLOUR_WORDS[dye], dot: colors.dyes[dye] })),
            { value: OWN, label: 'Another colour', ...(isOwn ? { dot: dyeColor(colors, color) } : {}) },
          ]}
          chosen={[isOwn ? OWN : color]}
          onPress={(next) => setColor(next === OWN ? (isOwn ? color : colors.dyes[dyeOf(color) as Dye]) : next)}
        />
        {isOwn ? (
          <ColorField
            label="Another colour"
            value={color}
            onChange={setColor}
            {...(dyeColor(colors, color) === color.toLowerCase()
              ? {}
              : { hint: `Shown a little ${isDark ? 'lighter' : 'darker'}, so that it can be seen.` })}
          />
        ) : null}
      </Labelled>
      <View style={styles.buttons}>
        <Button kind="main" onPress={save}>
          {area ? 'Save' : 'Add area'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        {area ? <Button onPress={remove}>Delete</Button> : null}
      </View>
    </Sheet>
  );
}

const useStyles = themed(() => ({
  list: { maxWidth: 720 },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, paddingRight: SPACE.s },
  name: { flex: 1, minWidth: 0, paddingVertical: SPACE.s },
  dot: { width: 12, height: 12, borderRadius: 6 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
