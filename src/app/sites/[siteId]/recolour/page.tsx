import { RecolourScreen } from '@/ui/recolour/RecolourScreen';

export default async function Page({ params }: { params: Promise<{ siteId: string }> }) {
  return <RecolourScreen siteId={(await params).siteId} />;
}
