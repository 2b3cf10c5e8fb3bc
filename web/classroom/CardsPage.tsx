import { useParams } from 'react-router';
import styled from 'styled-components';
import { sentence } from '../api/client';
import { say } from '../messages/say';
import { cardAddress } from '../parts/addresses';
import { Act, GoTo, Row, Soft } from '../parts/controls';
import { picturesOf } from '../parts/easyPictures';
import { Page } from '../parts/Page';
import { QrCode } from '../parts/QrCode';
import { cardsOf, type Card as CardOf } from './roll/cards';
import { useRoll } from './roll/useRoll';

/** On paper as on the screen: two beside each other, cut apart along the dashes. */
const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(320px, 100%), 1fr));
  gap: 12px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 120px;
    gap: 6px 12px;
    padding: 14px;
    border: 1px dashed var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    break-inside: avoid;
  }
  h2 {
    font: 600 1.25rem var(--reading);
    overflow-wrap: anywhere;
  }
  dl {
    display: grid;
    gap: 2px;
    margin: 6px 0 0;
  }
  dt,
  .where {
    font-size: 0.875rem;
    color: var(--soft);
  }
  dd {
    margin: 0;
    font-weight: 600;
  }
  .row {
    display: flex;
    gap: 4px;
  }
  .row img {
    width: 52px;
    height: 52px;
  }
  .where {
    grid-column: 1 / -1;
  }
  @media print {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
`;
const Pressed = styled.div`
  display: grid;
  gap: 12px;
  @media print {
    display: none;
  }
`;

function Secret({ card: { kind, words } }: { card: CardOf }) {
  if (kind === 'words')
    return (
      <>
        <dt>{say('account.words')}</dt>
        <dd>{words}</dd>
      </>
    );
  return (
    <>
      <dt>{say('class.card-pictures')}</dt>
      <dd className="row">
        {picturesOf(words).map(({ picture, name, url }) => (
          <img key={picture} src={url} alt={name} />
        ))}
      </dd>
    </>
  );
}

/** The cards that were just made, to be printed and cut apart. */
export default function CardsPage() {
  const { id = '' } = useParams();
  const { classroom, error } = useRoll(id);
  if (!classroom)
    return (
      <Page title={say('class.cards')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  const { name, word } = classroom;
  const cards = cardsOf(id);
  return (
    <Page title={say('class.cards-of', { name })}>
      <Pressed>
        <h1>{say('class.cards-of', { name })}</h1>
        <Soft>{say(cards.length > 0 ? 'class.cards-once' : 'class.no-cards')}</Soft>
        <Row>
          {cards.length > 0 && <Act onPress={() => window.print()}>{say('class.print-cards')}</Act>}
          <GoTo to={`/classes/${id}`}>{say('class.back-to-class')}</GoTo>
        </Row>
      </Pressed>
      {cards.length > 0 && (
        <Cards>
          {cards.map((card) => (
            <li key={card.student}>
              <div>
                <h2>{card.name}</h2>
                <dl>
                  <dt>{say('account.class')}</dt>
                  <dd>{word}</dd>
                  <Secret card={card} />
                </dl>
              </div>
              <QrCode text={cardAddress(card.code)} label={say('class.card-code', { name: card.name })} />
              <span className="where">{window.location.host}</span>
            </li>
          ))}
        </Cards>
      )}
    </Page>
  );
}
