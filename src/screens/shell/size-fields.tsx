'use client';
import { useState } from 'react';
import type { Build, Size } from '@/core/build';
import { findDevice } from '@/core/build';
import { useBench } from '@/store/bench';
import { QuantityField } from '@/ui/quantity-field';

const SIDES = ['lengthM', 'widthM', 'heightM'] as const;

/** The three measures of a device, as told: nothing is set before all three are there. */
export function SizeFields({
  build,
  deviceId,
  labels,
}: {
  build: Build;
  deviceId: string;
  labels: readonly [string, string, string];
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const told = findDevice(build, deviceId)?.sizeM;
  const [begun, setBegun] = useState<Partial<Size>>({});
  return SIDES.map((side, k) => (
    <QuantityField
      key={side}
      label={labels[k]!}
      value={begun[side] ?? told?.[side] ?? null}
      dimension="length"
      system={build.units}
      onCommit={(value) => {
        const next = { ...told, ...begun, [side]: value };
        if (SIDES.some((one) => next[one] === undefined)) return setBegun(next);
        setBegun({});
        dispatch({ edit: 'setSize', input: { deviceId, sizeM: next as Size } });
      }}
    />
  ));
}
