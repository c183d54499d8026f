import { STATIONS } from '@/core/stations';
import { StationScreen } from '@/screens/station-screen';

export const dynamicParams = false;
export const generateStaticParams = () => STATIONS.map(({ id }) => ({ station: id }));

export default async function Page({ params }: { params: Promise<{ station: string }> }) {
  return <StationScreen station={(await params).station} />;
}
