import { useQuery } from '@tanstack/react-query';
import { answer, api } from './client';

/** What stands on one's own desk, as it was last told. */
export const useDesk = () => useQuery({ queryKey: ['desk'], queryFn: () => answer(api.GET('/api/desk')) }).data;
