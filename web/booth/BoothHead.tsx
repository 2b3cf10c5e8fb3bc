import { Link } from 'react-router';
import type { Slide } from '../api/types';
import { say } from '../messages/say';
import { Button, Soft } from '../parts/controls';
import { voiceOf } from '../story/slides';
import { Head, Key } from './room';

interface Props {
  story: string;
  index: number;
  slides: Slide[];
  worksOffline: boolean;
  /** Whether one may go to the slide before, and to the next. */
  goesBack: boolean;
  goesOn: boolean;
  onGo: (by: number) => void;
}

/** Which slide one is at, and the ways out of it. */
export function BoothHead({ story, index, slides, worksOffline, goesBack, goesOn, onGo }: Props) {
  return (
    <Head>
      <Link to={`/stories/${story}`} aria-label={say('booth.back')}>
        ← <span className="wide">{say('booth.back')}</span>
      </Link>
      <h1>
        <span className="wide">{say('booth.title')} · </span>
        {say('booth.slide-of', { slide: index + 1, count: slides.length })}
      </h1>
      <span className="wide" style={{ flex: 1 }} />
      <Soft as="span" className="wide">
        {say('booth.spoken', { count: slides.filter((s) => voiceOf(s) !== null).length })}
        {worksOffline && ` · ${say('booth.works-offline')}`}
      </Soft>
      <Button aria-label={say('booth.before')} onPress={() => onGo(-1)} isDisabled={!goesBack}>
        <span className="narrow">‹</span>
        <span className="wide">{say('booth.before')}</span>
        <Key>P</Key>
      </Button>
      <Button aria-label={say('booth.next')} onPress={() => onGo(1)} isDisabled={!goesOn}>
        <span className="wide">{say('booth.next')}</span>
        <span className="narrow">›</span>
        <Key>N</Key>
      </Button>
    </Head>
  );
}
