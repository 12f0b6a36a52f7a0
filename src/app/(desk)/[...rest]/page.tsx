import { notFound } from 'next/navigation';

export default function Nowhere() {
  notFound();
}
