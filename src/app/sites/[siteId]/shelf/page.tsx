import { ShelfScreen } from '@/ui/shelf/ShelfScreen';

interface Props {
  params: Promise<{ siteId: string }>;
  searchParams: Promise<{ for?: string; in?: string }>;
}

export default async function Page({ params, searchParams }: Props) {
  const [{ siteId }, { for: slotId, in: where }] = await Promise.all([params, searchParams]);
  return <ShelfScreen siteId={siteId} forSlot={slotId} inLibrary={where === 'library'} />;
}
