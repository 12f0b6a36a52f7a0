import type { Metadata } from 'next';
import '@/ui/desk/desk.css';

export const metadata: Metadata = { title: 'Yard Steps', description: 'Home practice of fine motor tasks, followed step by step' };

export default function DeskLayout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
