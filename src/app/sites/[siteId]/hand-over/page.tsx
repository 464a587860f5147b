import { HandOverScreen } from '@/ui/handover/HandOverScreen';

export default async function Page({ params }: { params: Promise<{ siteId: string }> }) {
  return <HandOverScreen siteId={(await params).siteId} />;
}
