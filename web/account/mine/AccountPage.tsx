import { useQuery, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { answer, api, sentence } from '../../api/client';
import type { components } from '../../api/schema';
import { say } from '../../messages/say';
import { Soft } from '../../parts/controls';
import { Page } from '../../parts/Page';
import { NewPassword } from './NewPassword';
import { SecondStep } from './SecondStep';

export type Account = components['schemas']['Account'];

const Two = styled.div`
  display: grid;
  gap: 24px;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  align-items: start;
  form {
    display: grid;
    gap: 16px;
  }
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** A grown-up's own account: another password, and a second step at the door. */
export default function AccountPage() {
  const queries = useQueryClient();
  const queryKey = ['account'];
  const { data, error } = useQuery({
    queryKey,
    queryFn: () => answer(api.GET('/api/account')),
    refetchOnMount: 'always',
  });
  const title = say('mine.title');
  if (!data)
    return (
      <Page title={title}>{error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}</Page>
    );
  const onChanged = (now: Account) => queries.setQueryData(queryKey, now);
  return (
    <Page title={title}>
      <div style={{ display: 'grid', gap: 8 }}>
        <h1>{title}</h1>
        <Soft>{say('mine.who', { name: data.name ?? '', school: data.school })}</Soft>
      </div>
      <Two>
        <SecondStep account={data} onChanged={onChanged} />
        <NewPassword account={data} onChanged={onChanged} />
      </Two>
    </Page>
  );
}
