import {
  type Control,
  type FieldValues,
  type Path,
  type PathValue,
  type UseFormSetValue,
  useWatch,
} from 'react-hook-form';
import { selectAreas } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { NEW_AREA } from './newArea.ts';

type WithArea = FieldValues & { areaId: string; newArea: string };

/** The area of what a form is about: one there is, none, or a new one by its name. */
export function AreaFields<D extends WithArea>({
  control,
  setValue,
}: {
  control: Control<D>;
  setValue: UseFormSetValue<D>;
}) {
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  const areaId = useWatch({ control, name: 'areaId' as Path<D> }) as string;
  return (
    <>
      <Labelled label="Area">
        <Chips
          label="Area"
          chips={[
            { value: '', label: 'None' },
            ...areas.map((area) => ({ value: area.id, label: area.name, dot: dyeColor(colors, area.color) })),
            { value: NEW_AREA, label: 'New area' },
          ]}
          chosen={[areaId]}
          onPress={(value) => setValue('areaId' as Path<D>, value as PathValue<D, Path<D>>)}
        />
      </Labelled>
      {areaId === NEW_AREA ? (
        <FormField
          control={control}
          name={'newArea' as Path<D>}
          label="Name of the new area"
          placeholder="Boat yard"
          maxLength={80}
        />
      ) : null}
    </>
  );
}
