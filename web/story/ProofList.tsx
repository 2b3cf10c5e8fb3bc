import styled from 'styled-components';
import { useSession } from '../api/session';
import type { Finding } from '../api/types';
import { Button, Row, SlideNumber, Soft } from '../parts/controls';
import { TickIcon } from '../parts/icons';
import { pictureOf } from './slides';
import { useActs, useView } from './StoryContext';
import { newId } from './useStory';
import { say } from '../messages/say';

const Good = styled.ul`
  display: grid;
  gap: 4px;
  color: var(--moss);
  li {
    display: flex;
    gap: 8px;
  }
  svg {
    flex: none;
    margin-top: 2px;
  }
`;
const Mend = styled.ul`
  display: grid;
  gap: 10px;
  > li {
    display: grid;
    gap: 4px;
    border-inline-start: 4px solid var(--ochre);
    padding: 2px 0 2px 10px;
  }
  > li.must {
    border-color: var(--madder);
  }
  .slides {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
`;

/** How many slides are named at once; the rest are counted. */
const NAMED = 12;

/** What one act mends for all slides of a finding. */
function useMends() {
  const { story } = useView();
  const { edit } = useActs();
  const { person } = useSession();
  const mine = { author: person?.firstName ?? '', licence: say('source.my-own-work') };
  const pictures = (slides: string[]) => [
    ...new Set(story.slides.flatMap((s) => (slides.includes(s.id) ? (pictureOf(s)?.asset ?? []) : []))),
  ];
  const lacking = Object.entries(story.assets)
    .filter(([, { kind, source }]) => kind === 'music' && Object.values(source).every((part) => part === ''))
    .map(([id]) => id);
  return (finding: Finding): [string, () => void] | null => {
    const slides = finding.slides.map((s) => s.id);
    switch (finding.rule) {
      case 'no-source':
        return [
          say('mend.made-myself', { count: slides.length }),
          () => void edit({ do: 'set source', assets: pictures(slides), source: mine }),
        ];
      case 'no-backdrop-source': {
        const backdrop = story.style?.own?.picture;
        if (typeof backdrop !== 'string') return null;
        return [
          say('mend.made-myself', { count: 1 }),
          () => void edit({ do: 'set source', assets: [backdrop], source: mine }),
        ];
      }
      case 'no-music-source':
        return [say('mend.made-music'), () => void edit({ do: 'set source', assets: lacking, source: mine })];
      case 'sideways-picture':
        return [say('mend.turn-upright', { count: slides.length }), () => void edit({ do: 'turn upright', slides })];
      case 'small-picture':
      case 'much-cropped':
        return [
          say('mend.show-whole', { count: slides.length }),
          () => void edit({ do: 'set layers', slides, kind: 'picture', changes: { fit: 'whole' } }),
        ];
      case 'no-title':
        return [
          say('script.add-title'),
          () => void edit({ do: 'add slide', slide: { id: newId(), layout: 'title' }, after: null }),
        ];
      default:
        return null;
    }
  };
}

/** The reading before the film: what is good first, then what to mend, each thing once, with its slides. */
export function ProofList({ onPick }: { onPick: (slide: string) => void }) {
  const view = useView();
  const mends = useMends();
  const number = (slide: string) => view.story.slides.findIndex((s) => s.id === slide) + 1;
  return (
    <>
      {view.praise.length > 0 && (
        <Good aria-label={say('proof.good')}>
          {view.praise.map((good) => (
            <li key={good.code}>
              <TickIcon /> {say(good)}
            </li>
          ))}
        </Good>
      )}
      {view.proof.length === 0 && <p>{say('proof.ready')}</p>}
      {view.proof.length > 0 && (
        <Mend aria-label={say('proof.mend')}>
          {view.proof.map((finding) => {
            const mend = mends(finding);
            return (
              <li key={finding.rule + JSON.stringify(finding.message.parameters)} className={finding.level}>
                <span>{say(finding.message)}</span>
                {finding.isAsked && <Soft>{say('proof.asked')}</Soft>}
                <Row>
                  {mend && <Button onPress={mend[1]}>{mend[0]}</Button>}
                  <span className="slides">
                    {finding.slides.slice(0, NAMED).map((slide) => (
                      <SlideNumber
                        key={slide.id}
                        aria-label={say('proof.go-to', { slide: number(slide.id) })}
                        onPress={() => onPick(slide.id)}
                      >
                        {number(slide.id)}
                      </SlideNumber>
                    ))}
                    {finding.slides.length > NAMED && (
                      <span>{say('proof.more', { count: finding.slides.length - NAMED })}</span>
                    )}
                  </span>
                </Row>
              </li>
            );
          })}
        </Mend>
      )}
    </>
  );
}
