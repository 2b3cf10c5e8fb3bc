import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { answer, api } from '../api/client';
import type { components } from '../api/schema';
import { say } from '../messages/say';
import { Act, Card, Field, GoTo, Row, Soft, Wrong } from '../parts/controls';
import { picturesOf } from '../parts/easyPictures';
import { Page } from '../parts/Page';
import { useTried } from '../parts/useTried';
import { loadAnew, useComingIn } from './useComingIn';

type Joined = { classroom: string; word: string; card: components['schemas']['Card'] };

const Narrow = styled(Card)`
  max-width: 460px;
  form {
    display: grid;
    gap: 16px;
  }
  dl {
    display: grid;
    gap: 4px;
    margin: 0;
  }
  dt {
    font-size: 0.875rem;
    color: var(--soft);
  }
  dd {
    display: flex;
    gap: 6px;
    margin: 0 0 8px;
    font: 600 1.35rem var(--reading);
  }
`;

/** Where a child joins a class by the code on the board, and is told once what to come in with from then on. */
export function JoinPage() {
  const [joined, setJoined] = useState<Joined | null>(null);
  return (
    <Page title={say('join.title')}>
      <h1>{joined ? say('join.in', { name: joined.card.name, classroom: joined.classroom }) : say('join.title')}</h1>
      {joined ? <Told joined={joined} /> : <Asked onJoined={setJoined} />}
    </Page>
  );
}

function Asked({ onJoined }: { onJoined: (joined: Joined) => void }) {
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const { wrong, tried } = useTried();
  const join = async () => {
    onJoined(await answer(api.POST('/api/join', { body: { code, name } })));
  };
  return (
    <Narrow aria-label={say('join.title')}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void tried(join);
        }}
      >
        <Field label={say('join.code')} value={code} onChange={setCode} autoComplete="off" autoFocus isRequired />
        <Field
          label={say('join.first-name')}
          value={name}
          onChange={setName}
          max={limits.firstName}
          autoComplete="off"
          isRequired
        />
        <Wrong text={wrong} />
        <Row>
          <Act type="submit">{say('join.join')}</Act>
          <GoTo to="/">{say('join.i-have-a-card')}</GoTo>
        </Row>
      </Form>
    </Narrow>
  );
}

function Told({ joined: { word, card } }: { joined: Joined }) {
  const { comeIn, wrong } = useComingIn(loadAnew);
  return (
    <Narrow aria-label={say('class.cards')}>
      <p>{say('join.write-down')}</p>
      <dl>
        <dt>{say('account.class')}</dt>
        <dd>{word}</dd>
        <dt>{say('account.my-name')}</dt>
        <dd>{card.name}</dd>
        <dt>{say(card.kind === 'words' ? 'account.words' : 'account.three-pictures')}</dt>
        <dd>
          {card.kind === 'words'
            ? card.words
            : picturesOf(card.words).map(({ picture, name, url }) => (
                <img key={picture} src={url} alt={name} width={64} height={64} />
              ))}
        </dd>
      </dl>
      <Soft>{say('join.lost')}</Soft>
      <Wrong text={wrong} />
      <Row>
        <Act onPress={() => comeIn({ code: card.code })}>{say('join.go-on')}</Act>
      </Row>
    </Narrow>
  );
}
