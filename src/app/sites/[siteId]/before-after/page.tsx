import { BeforeAfterScreen } from '@/ui/rehearsal/BeforeAfterScreen';

export default async function Page({ params }: { params: Promise<{ siteId: string }> }) {
  return <BeforeAfterScreen siteId={(await params).siteId} />;
}
