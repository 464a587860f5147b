import { ShelfScreen } from '@/ui/shelf/ShelfScreen';

export default async function Page({ params }: { params: Promise<{ siteId: string }> }) {
  return <ShelfScreen siteId={(await params).siteId} />;
}
