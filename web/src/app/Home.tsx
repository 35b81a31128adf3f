import { useQuery } from '@tanstack/react-query';
import { Navigate } from 'react-router';
import { client, data } from '../api/client';
import { useApp } from './session';

const PLACE = { engineer: '/calculate', approver: '/records', administrator: '/people', reader: '/lookup' };

/** Whoever comes in is led to what they do most, and in a workshop that has no published figure yet, to what it needs for one. */
export function Home() {
  const role = useApp().session?.role ?? 'reader';
  const day = useQuery({
    queryKey: ['first-day'],
    queryFn: () => data(client.GET('/api/v1/first-day')),
    enabled: role !== 'reader',
    retry: false,
  });
  if (role !== 'reader' && day.isPending) return null;
  return <Navigate replace to={day.data && !day.data.done ? '/first-day' : PLACE[role]} />;
}
