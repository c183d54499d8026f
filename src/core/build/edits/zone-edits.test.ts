import { describe, expect, test } from 'vitest';
import { zoneAt } from '../../vehicle/geometry';
import { firn9 } from '../samples';
import type { Extent } from '../types';
import { applyEdit } from './apply';
import type { Edit } from './edits';

const TUNNEL: Extent = { x0M: 0.6, x1M: 1.8, y0M: -0.15, y1M: 0.15, z0M: 0.15, z1M: 0.45 };
const add = (extent: Extent = TUNNEL, zoneId = 'tunnel'): Edit => ({
  edit: 'addZone',
  input: { zoneId, name: 'Tunnel', ambientC: 55, extent },
});
const refuse = (edit: Edit, words: string) => expect(() => applyEdit(firn9(), edit)).toThrow(words);

describe('places of one’s own', () => {
  test('a smaller block wins over the larger one that it lies in, and gives way again when it is gone', () => {
    const inTunnel = { xM: 1.2, yM: 0, zM: 0.3 };
    expect(zoneAt(firn9(), inTunnel)).toBe('zone-underbody');
    const { build } = applyEdit(firn9(), add());
    expect(zoneAt(build, inTunnel)).toBe('tunnel');
    expect(zoneAt(build, { ...inTunnel, yM: 0.4 })).toBe('zone-underbody');
    const gone = applyEdit(build, { edit: 'dropZone', input: { zoneId: 'tunnel' } }).build;
    expect(zoneAt(gone, inTunnel)).toBe('zone-underbody');
  });

  test('a place in which something lies is not taken away, and the words name it', () => {
    refuse({ edit: 'dropZone', input: { zoneId: 'zone-boot' } }, 'Rear box');
    refuse({ edit: 'dropZone', input: { zoneId: 'nowhere' } }, 'no longer in the build');
  });

  test('blocks without room, far away, or under a used name are refused', () => {
    refuse(add({ ...TUNNEL, x1M: 0.6 }), 'no room along');
    refuse(add({ ...TUNNEL, y0M: 0.2 }), 'no room across');
    refuse(add({ ...TUNNEL, z1M: 0.1 }), 'no room up');
    refuse(add({ ...TUNNEL, x1M: 60 }), '20 m');
    refuse(add({ ...TUNNEL, x1M: Number.NaN }), '20 m');
    refuse(add(TUNNEL, 'zone-bay'), 'used already');
    refuse({ edit: 'setExtent', input: { zoneId: 'zone-bay', extent: { ...TUNNEL, x0M: 3 } } }, 'no room along');
  });
});
