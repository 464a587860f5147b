import { BenchScreen } from '@/ui/bench/BenchScreen';

export default async function Page({
  params,
}: {
  params: Promise<{ siteId: string; slotId: string }>;
}) {
  const { siteId, slotId } = await params;
  return <BenchScreen siteId={siteId} slotId={slotId} />;
}
