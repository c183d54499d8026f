import { defineStation } from '../define';
import { interlocksResults } from './results';
import { ownProperties, SEARCH_RULES } from './search-rules';
import { settingSheets } from './settings';
import { SETTINGS_RULES } from './settings-rules';
import { SOUND_RULES } from './sound-rules';

/** Can it move when it should not, and who commands? */
export const interlocks = defineStation({
  id: 'interlocks',
  name: 'Interlocks',
  question: 'Can it move when it should not, and who commands?',
  key: 'i',
  begin: 'lay out the circuit and its safety loop, and choose who commands',
  rules: [...SOUND_RULES, ...SEARCH_RULES, ownProperties, ...SETTINGS_RULES],
  leaves: ({ vehicle }) => {
    const unset = settingSheets(vehicle).filter(
      ({ rows, sheet }) => sheet === null && rows.every(({ entry }) => entry === null),
    );
    return [
      ...(unset.length > 0
        ? [
            `What ${unset.map(({ name }) => name).join(', ')} ${unset.length === 1 ? 'is' : 'are'} set to: nothing is entered.`,
          ]
        : []),
      ...(vehicle.build.schools.command === 'hand-switches'
        ? [
            'A welded contactor at key-on, and a relay that waits for the link and fails: with hand switches somebody reads it on the meter of the link.',
          ]
        : []),
      'Two faults at once, and a control that does not do what was told of it: it is tried on the car.',
    ];
  },
  results: interlocksResults,
});

export type { InterlocksResults } from './results';
export { type SheetLine, sequenceJson, sequenceSheet } from './sequence-sheet';
export { SETTING_WORDS } from './setting-words';
export type { DeviceSheet, SettingRow } from './settings';
export { sameSetting, serves } from './settings';
export { FAULT_WORDS, INPUT_WORDS, MODE_WORDS, storyLines } from './words';
