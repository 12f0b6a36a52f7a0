import { Trouble } from '@/ui/desk/frame/Trouble';

export default function NotFound() {
  return <Trouble fault={{ code: 'notFound', detail: null, logId: null }} />;
}
