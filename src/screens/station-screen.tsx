'use client';
import dynamic from 'next/dynamic';
import { notFound } from 'next/navigation';
import type { ComponentType } from 'react';
import { isStation, type StationId } from '@/core/stations';

/** Every station's screen, loaded when it is first opened. A station without one does not compile. */
const SCREENS: Readonly<Record<StationId, ComponentType>> = {
  survey: dynamic(() => import('./survey/survey-screen').then(({ SurveyScreen }) => SurveyScreen)),
  pack: dynamic(() => import('./pack/pack-screen').then(({ PackScreen }) => PackScreen)),
  drive: dynamic(() => import('./drive/drive-screen').then(({ DriveScreen }) => DriveScreen)),
  'hv-circuit': dynamic(() => import('./hv-circuit/hv-circuit-screen').then(({ HvCircuitScreen }) => HvCircuitScreen)),
  cables: dynamic(() => import('./cables/cables-screen').then(({ CablesScreen }) => CablesScreen)),
  'low-voltage': dynamic(() =>
    import('./low-voltage/low-voltage-screen').then(({ LowVoltageScreen }) => LowVoltageScreen),
  ),
  bms: dynamic(() => import('./bms/bms-screen').then(({ BmsScreen }) => BmsScreen)),
  charging: dynamic(() => import('./charging/charging-screen').then(({ ChargingScreen }) => ChargingScreen)),
  ancillaries: dynamic(() =>
    import('./ancillaries/ancillaries-screen').then(({ AncillariesScreen }) => AncillariesScreen),
  ),
  harness: dynamic(() => import('./harness/harness-screen').then(({ HarnessScreen }) => HarnessScreen)),
  plan: dynamic(() => import('./plan/plan-screen').then(({ PlanScreen }) => PlanScreen)),
  logbook: dynamic(() => import('./logbook/logbook-screen').then(({ LogbookScreen }) => LogbookScreen)),
  commission: dynamic(() => import('./commission/commission-screen').then(({ CommissionScreen }) => CommissionScreen)),
  interlocks: dynamic(() => import('./interlocks/interlocks-screen').then(({ InterlocksScreen }) => InterlocksScreen)),
};

export function StationScreen({ station }: { station: string }) {
  if (!isStation(station)) notFound();
  const Screen = SCREENS[station];
  return <Screen />;
}
