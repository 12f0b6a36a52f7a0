import type { Metadata, Viewport } from 'next';
import '@/ui/family/family.css';

export const metadata: Metadata = { title: 'Yard Steps', robots: { index: false, follow: false } };
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#f4f0e6' };

/** Every page asks who is there, so none may be made at build time. */
export const dynamic = 'force-dynamic';

export default function FamilyLayout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
