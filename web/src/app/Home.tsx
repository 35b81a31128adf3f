import { Navigate } from 'react-router';
import { useFirstDay } from '../places/firstday/useFirstDay';
import { useApp } from '../parts/session';

const PLACE = { engineer: '/calculate', approver: '/records', administrator: '/people', reader: '/lookup' };

/** Whoever comes in is led to what they do most, and in a workshop that has no published figure yet, to what it needs for one. */
export function Home() {
  const role = useApp().session?.role ?? 'reader';
  const day = useFirstDay(role !== 'reader');
  if (role !== 'reader' && day.isPending) return null;
  return <Navigate replace to={day.data && !day.data.done ? '/first-day' : PLACE[role]} />;
}
