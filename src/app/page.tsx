import { SitesScreen } from '@/ui/sites/SitesScreen';

export default function Page() {
  return <SitesScreen />;
}
