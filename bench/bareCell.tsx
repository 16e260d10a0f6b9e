import { useState } from 'react';
import { AppRegistry, Pressable, StyleSheet, View } from 'react-native';

/** One round cell that a tap toggles, and nothing else: the least that React Native Web can do. */
function BareCell() {
  const [isOn, setIsOn] = useState(false);
  return (
    <View style={styles.page}>
      <Pressable
        role="checkbox"
        aria-checked={isOn}
        aria-label="cell"
        onPress={() => setIsOn(!isOn)}
        style={[styles.cell, isOn && styles.on]}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: 200 },
  cell: { width: 24, height: 24, borderRadius: 12, backgroundColor: '#e8dcc4' },
  on: { backgroundColor: '#28756c' },
});

AppRegistry.registerComponent('bare', () => BareCell);
AppRegistry.runApplication('bare', { rootTag: document.getElementById('root') });
