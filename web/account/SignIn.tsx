import styled from 'styled-components';
import { offered, Segments } from '../parts/Choice';
import { Card, Soft } from '../parts/controls';
import { Page } from '../parts/Page';
import { useKept } from '../parts/useKept';
import { ByClass } from './ByClass';
import { ByPassword } from './ByPassword';
import dawn from './pictures/dawn-over-the-wend.jpg';
import gates from './pictures/gates-of-the-mill-pond.jpg';
import moon from './pictures/moon-and-tide.jpg';
import wheel from './pictures/the-great-wheel.jpg';
import { say, type Code } from '../messages/say';

const Middle = styled.div`
  display: grid;
  gap: 32px;
  grid-template-columns: minmax(0, 1.2fr) minmax(280px, 360px);
  align-items: center;
  padding-top: 3vh;
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
    padding-top: 0;
  }
  h1 {
    font-size: clamp(2rem, 4.5vw, 3.2rem);
  }
  form {
    display: grid;
    gap: 16px;
  }
`;
const Stitched = styled.svg`
  width: 100%;
  max-width: 420px;
  margin: 16px 0;
`;
/** A story as it is read: slides along the thread, and what is said over each. */
const Story = styled.ol`
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 20px;
  padding-top: 20px;
  border-top: 3px dashed var(--indigo);
  margin-top: 3vh;
  li {
    position: relative;
    display: grid;
    gap: 8px;
    align-content: start;
  }
  li::before {
    content: '';
    position: absolute;
    top: -29px;
    width: 14px;
    height: 14px;
    border-radius: 50%;
    background: var(--madder);
  }
  img {
    width: 100%;
    height: auto;
    border-radius: 4px;
  }
  p {
    font-family: var(--reading);
  }
  span {
    color: var(--soft);
    font-size: 0.875rem;
  }
  @media (max-width: 760px) {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
`;
const slides: [picture: string, time: string, said: Code][] = [
  [dawn, '0:00', 'account.story-1'],
  [moon, '0:09', 'account.story-2'],
  [gates, '0:14', 'account.story-3'],
  [wheel, '0:22', 'account.story-4'],
];
const WAYS = ['class', 'password'] as const;
const ways: [(typeof WAYS)[number], Code][] = [
  ['class', 'account.by-class'],
  ['password', 'account.by-password'],
];

export function SignIn() {
  const [way, setWay] = useKept('rhapsode-way-in', WAYS, 'password');
  return (
    <Page title={say('account.sign-in')}>
      <Middle>
        <div>
          <h1>{say('account.what-it-is')}</h1>
          <Stitched viewBox="0 -10 420 62" aria-hidden focusable="false">
            <path
              d="M8 28C80 -10 120 56 190 20S320 4 412 18"
              fill="none"
              stroke="var(--indigo)"
              strokeWidth="4"
              strokeDasharray="14 8"
              strokeLinecap="round"
            />
            {[8, 190, 412].map((x, i) => (
              <circle key={x} cx={x} cy={[28, 20, 18][i]} r="7" fill="var(--madder)" />
            ))}
          </Stitched>
          <Soft>{say('account.what-for')}</Soft>
        </div>
        <Card>
          <h2>{say('account.sign-in')}</h2>
          <Segments label={say('account.how')} value={way} options={offered(ways)} onChange={setWay} />
          {way === 'class' ? <ByClass /> : <ByPassword />}
        </Card>
      </Middle>
      <Story aria-label={say('account.a-story')}>
        {slides.map(([picture, time, said]) => (
          <li key={time}>
            <img src={picture} alt="" width={480} height={270} />
            <p>{say(said)}</p>
            <span>{time}</span>
          </li>
        ))}
      </Story>
    </Page>
  );
}
