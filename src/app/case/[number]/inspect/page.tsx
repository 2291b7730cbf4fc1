import { InspectView } from '@/ui/inspect/InspectView';

export default function InspectPage() {
  return <InspectView />;
}
