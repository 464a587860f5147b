import { PlanScreen } from '@/ui/plan/PlanScreen';

export default async function Page({ params }: { params: Promise<{ siteId: string }> }) {
  return <PlanScreen siteId={(await params).siteId} />;
}
