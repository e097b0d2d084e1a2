import { redirect } from 'next/navigation';

export default async function SeatPage({ params }: { params: Promise<{ project: string; seat: string }> }) {
  const { project, seat } = await params;
  redirect(`/${project}/${seat}/brief`);
}
