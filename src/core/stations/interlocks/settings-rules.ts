import { type Finding, quantityText as q, type Ref } from '../../checks';
import { defineRule } from '../define';
import { SETTING_WORDS } from './setting-words';
import { type DeviceSheet, type SettingRow, sameSetting, serves, settingSheets } from './settings';

const refOf = ({ deviceId, name }: DeviceSheet): Ref => ({ kind: 'device', id: deviceId, name });
const text = (value: number, { dimension }: SettingRow): string => q(value, dimension);
const SENSE = { equal: '', 'at-most': 'at most ', 'at-least': 'at least ' } as const;

/** A sheet is begun once anything of it was written down. */
const begun = ({ rows, sheet }: DeviceSheet): boolean => sheet !== null || rows.some(({ entry }) => entry !== null);

const asWanted = defineRule({
  id: 'interlocks.settings',
  endangers: 'people',
  says: {
    fails: '{subject} is not set to what the design asks',
    holds: '{subject} is set to what the design asks',
    line: '{detail}',
    open: '{subject}: its settings',
  },
  sources: ['Wanted from the model; just so within 1 %, or no higher, or no lower'],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    settingSheets(vehicle)
      .filter(begun)
      .map((sheet): Finding<'detail'> => {
        const subject = refOf(sheet);
        const wrong = sheet.rows.flatMap((one) =>
          [one.entry?.entered, one.entry?.readBack].some(
            (value) => value !== null && value !== undefined && !serves(one, value),
          )
            ? [one]
            : [],
        );
        const lines = () =>
          sheet.rows.map((one) => ({
            formula: SETTING_WORDS[one.setting],
            figures: `${one.wanted === null ? 'not known to the model' : `${SENSE[one.sense]}${text(one.wanted, one)}`}; entered ${one.entry?.entered === null || !one.entry ? '–' : text(one.entry.entered, one)}, read back ${one.entry?.readBack === null || !one.entry ? '–' : text(one.entry.readBack, one)}`,
            note: one.why,
          }));
        if (wrong.length > 0)
          return {
            subject,
            holds: false,
            figures: {
              detail: wrong
                .map((one) => {
                  const value = one.entry!.readBack ?? one.entry!.entered!;
                  return `${SETTING_WORDS[one.setting].toLowerCase()} ${text(value, one)}, wanted ${SENSE[one.sense]}${text(one.wanted!, one)}`;
                })
                .join('; '),
            },
            lines,
          };
        const open = sheet.rows.filter((one) => (one.entry?.entered ?? null) === null && one.wanted !== null);
        const unknown = sheet.rows.filter(({ wanted }) => wanted === null);
        if (open.length + unknown.length > 0)
          return {
            subject,
            missing: [
              ...open.map((one) => ({ ref: subject, what: `${SETTING_WORDS[one.setting].toLowerCase()}, as entered` })),
              ...unknown.map((one) => ({
                ref: subject,
                what: `what ${SETTING_WORDS[one.setting].toLowerCase()} has to be: ${one.why}`,
              })),
            ],
            lines,
          };
        return { subject, holds: true, figures: { detail: `${sheet.rows.length} settings` }, lines };
      }),
  remedies:
    'Set the device to what the sheet wants, read it back, and write both down; or change the design to what it is set to.',
});

const readBack = defineRule({
  id: 'interlocks.read-back',
  endangers: 'people',
  says: {
    fails: '{subject} says back something else than was entered',
    holds: '{subject} says back what was entered',
    line: '{detail}',
    open: '{subject}: read back',
  },
  sources: ['A setting counts once the device has said it back, with the firmware that it runs'],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    settingSheets(vehicle)
      .filter(begun)
      .map((sheet): Finding<'detail'> => {
        const subject = refOf(sheet);
        const entered = sheet.rows.filter(({ entry }) => entry?.entered !== null && entry?.entered !== undefined);
        const other = entered.filter(
          ({ entry }) => entry!.readBack !== null && !sameSetting(entry!.entered!, entry!.readBack),
        );
        if (other.length > 0)
          return {
            subject,
            holds: false,
            figures: {
              detail: other
                .map(
                  (one) =>
                    `${SETTING_WORDS[one.setting].toLowerCase()}: entered ${text(one.entry!.entered!, one)}, read back ${text(one.entry!.readBack!, one)}`,
                )
                .join('; '),
            },
          };
        const silent = entered.filter(({ entry }) => entry!.readBack === null);
        const missing = [
          ...(entered.length === 0 ? [{ ref: subject, what: 'what was entered' }] : []),
          ...silent.map((one) => ({ ref: subject, what: `${SETTING_WORDS[one.setting].toLowerCase()}, read back` })),
          ...(sheet.sheet?.firmware ? [] : [{ ref: subject, what: 'its firmware version' }]),
          ...(sheet.sheet?.date ? [] : [{ ref: subject, what: 'the day when it was read back' }]),
        ];
        if (missing.length > 0) return { subject, missing };
        return {
          subject,
          holds: true,
          figures: { detail: `firmware ${sheet.sheet!.firmware}, ${sheet.sheet!.date}` },
        };
      }),
  remedies:
    'Enter it again and read it back with the device powered off and on between; a setting that does not stay is a fault of the device.',
});

export const SETTINGS_RULES = [asWanted, readBack] as const;
