import type { Metadata } from 'next';
import '@/ui/desk/frame/desk.css';

export const metadata: Metadata = { title: 'Yard Steps', description: 'Home practice of fine motor tasks, followed step by step' };

/** Every page asks who is there, so none may be made at build time. */
export const dynamic = 'force-dynamic';

export default function DeskLayout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
