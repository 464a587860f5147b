import { StartScreen } from '@/ui/sites/StartScreen';

export default function Page() {
  return <StartScreen />;
}
