import { Button } from '../../../ui/Button.tsx';

export function CardAction({
  label,
  onPress,
  children = 'Set',
}: {
  label: string;
  onPress: () => void;
  children?: string;
}) {
  return (
    <Button kind="bare" label={label} onPress={onPress}>
      {children}
    </Button>
  );
}
