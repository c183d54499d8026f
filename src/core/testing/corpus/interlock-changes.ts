import type { ControlFlag, RemoteStop, SignalIs } from '../../build';
import type { Context } from '../../stations/context';
import { interlocks } from '../../stations/interlocks';
import { vehicleOf } from '../../vehicle';
import { both, type Change, edit } from './change';

export const no = (...flags: ControlFlag[]): Change =>
  both(...flags.map((flag) => edit({ edit: 'answerControl', input: { flag, is: false } })));
export const yes = (...flags: ControlFlag[]): Change =>
  both(...flags.map((flag) => edit({ edit: 'answerControl', input: { flag, is: true } })));
export const untold =
  (...flags: ControlFlag[]): Change =>
  (build) => ({
    ...build,
    controls: Object.fromEntries(
      Object.entries(build.controls ?? {}).filter(([key]) => !flags.includes(key as ControlFlag)),
    ),
  });
export const remote = (remoteStop: RemoteStop): Change => edit({ edit: 'setRemoteStop', input: { remoteStop } });
export const step = (id: string, and: readonly SignalIs[] | 'off'): Change =>
  edit({ edit: 'setStep', input: { step: id, own: and === 'off' ? { off: true } : { and } } });
export const is = (signal: string): SignalIs => ({ signal, is: true });
export const not = (signal: string): SignalIs => ({ signal, is: false });
export const property = (
  form: 'never' | 'followed' | 'only-after',
  when: readonly SignalIs[],
  brings: readonly SignalIs[] = [],
): Change =>
  edit({
    edit: 'setProperty',
    input: { property: { id: 'own', name: 'Mine', form, when, ...(form === 'never' ? {} : { brings }) } },
  });
export const by = (command: 'hand-switches' | 'own-controller'): Change =>
  edit({ edit: 'setSchool', input: { command } });

/** Every setting of every device entered as it is wanted and read back; some of them otherwise. */
export const set =
  (odd: Readonly<Record<string, { readonly entered?: number; readonly readBack?: number }>> = {}): Change =>
  (build) => {
    const results = interlocks.results({
      vehicle: vehicleOf(build),
      sequence: null,
      precharges: [],
    } as unknown as Context);
    return edit(
      ...results.sheets.flatMap(({ deviceId, rows }) => [
        {
          edit: 'setSheet' as const,
          input: { sheet: { id: `sheet-${deviceId}`, deviceId, firmware: '1.4', date: '2026-05-02', by: 'me' } },
        },
        ...rows.flatMap(({ setting, wanted }) =>
          wanted === null
            ? []
            : [
                {
                  edit: 'setSetting' as const,
                  input: {
                    entry: {
                      id: `${deviceId}-${setting}`,
                      deviceId,
                      setting,
                      entered: odd[setting]?.entered ?? wanted,
                      readBack: odd[setting]?.readBack ?? odd[setting]?.entered ?? wanted,
                    },
                  },
                },
              ],
        ),
      ]),
    )(build);
  };
