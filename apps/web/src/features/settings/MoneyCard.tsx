import { money } from '../../text/amounts.ts';
import { SettingField } from './SettingField.tsx';
import { currencyFault } from './settingFaults.ts';
import { PATHS } from '../../platform/paths.ts';
import { useSetting } from './useSetting.ts';
import { SettingsSection } from './SettingsSection.tsx';
import { ShownSwitch } from './ShownSwitch.tsx';
import { SettingsLink } from './ListsCard.tsx';

export function MoneyCard() {
  const [settings, set] = useSetting();
  const hidesPips = settings.hidden?.includes('pips') ?? false;
  const { currency = '', pipsName = { one: 'pip', many: 'pips' } } = settings;
  return (
    <SettingsSection title="Money and pips">
      <SettingField
        label="Currency"
        value={currency}
        placeholder="EUR"
        faultOf={currencyFault}
        hint={
          currency === ''
            ? 'Three letters, such as EUR. Money is written by its rules.'
            : `Money reads ${money(1234.5, currency)}.`
        }
        onKeep={(text) => {
          const code = text.trim().toUpperCase();
          set({ currency: code === '' ? undefined : code });
        }}
      />
      <ShownSwitch
        what="pips"
        label="Pips and rewards"
        hint="Done days earn them, by what you give each habit; rewards of your own cost them."
        hiddenHint="No screen shows or mentions them. They are counted all the same, and are there when you want them back."
      />
      {hidesPips ? null : (
        <>
          <SettingsLink path={PATHS.rewards} name="Rewards" aside="what pips are enough for" />
          <SettingField
            label="One pip is called"
            value={pipsName.one}
            faultOf={(text) => (text.trim() === '' ? 'Give it a name' : null)}
            hint="Done days earn them; rewards cost them."
            onKeep={(text) => set({ pipsName: { ...pipsName, one: text.trim() } })}
          />
          <SettingField
            label="Several are called"
            value={pipsName.many}
            faultOf={(text) => (text.trim() === '' ? 'Give them a name' : null)}
            hint={`A daily habit with two reads “every day, 2 ${pipsName.many}”.`}
            onKeep={(text) => set({ pipsName: { ...pipsName, many: text.trim() } })}
          />
        </>
      )}
    </SettingsSection>
  );
}
