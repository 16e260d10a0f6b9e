import type { ReactNode } from 'react';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Words } from '../../ui/Words.tsx';

export function SettingsSection({ title, children }: { title: string; children: ReactNode }) {
  const styles = useStyles();
  return (
    <Card style={styles.card}>
      <Words type="card" heading={2}>
        {title}
      </Words>
      {children}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.l },
}));
