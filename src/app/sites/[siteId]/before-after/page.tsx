import { BeforeAfterScreen } from '@/ui/rehearsal/BeforeAfterScreen';

interface Asked {
  params: Promise<{ siteId: string }>;
  searchParams: Promise<{ page?: string }>;
}

export default async function Page({ params, searchParams }: Asked) {
  return <BeforeAfterScreen siteId={(await params).siteId} asked={(await searchParams).page} />;
}
