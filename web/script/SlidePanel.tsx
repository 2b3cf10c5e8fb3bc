import styled from 'styled-components';
import type { HandIn, Remark, Slide, StoryView } from '../api/types';
import { Picks } from '../parts/Choice';
import { Card, Quiet, Row } from '../parts/controls';
import { Toggle } from '../parts/Toggle';
import type { StoryHold } from '../story/useStory';
import { SourceFields } from './SourceFields';
import { StayField } from './StayField';
import { WholePanel } from './WholePanel';

const joins: [Slide['join']['kind'], string][] = [
  ['cut', 'Cut'],
  ['crossfade', 'Crossfade'],
  ['through-dark', 'Through dark'],
  ['through-light', 'Through light'],
  ['sweep', 'Sweep'],
  ['rise', 'Rise'],
];
const Findings = styled.ul`
  display: grid;
  gap: 6px;
  li {
    border-left: 4px solid var(--ochre);
    padding: 2px 10px;
  }
  li.must {
    border-color: var(--madder);
  }
  button {
    text-align: left;
    white-space: normal;
  }
`;
/** Of many chosen slides only so much is said here; Proof says it all. */
const SAID = 3;

interface Props {
  view: StoryView;
  edit: StoryHold['edit'];
  take: StoryHold['take'];
  picked: string[];
  remarks: Remark[];
  answer: HandIn | undefined;
  onPick: (slide: string) => void;
  /** Nothing is chosen any more. */
  onNone: () => void;
}

/** What can be set for the chosen slides; with none chosen, what concerns the whole story. */
export function SlidePanel({ view, edit, take, picked, remarks, answer, onPick, onNone }: Props) {
  const slides = view.story.slides.filter((s) => picked.includes(s.id));
  const [first] = slides;
  if (!first)
    return <WholePanel view={view} edit={edit} take={take} remarks={remarks} answer={answer} onPick={onPick} />;
  const index = view.story.slides.indexOf(first);
  const findings = view.proof.flatMap((f) => {
    const own = f.slides.filter((slide) => picked.includes(slide.id));
    return own.map(({ sentence }) => ({ level: f.level, sentence }));
  });
  return (
    <Card aria-label="The chosen slides" key={first.id}>
      <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
        <h2>{slides.length === 1 ? `Slide ${index + 1}` : `${slides.length} slides`}</h2>
        <Quiet onPress={onNone}>The whole story</Quiet>
      </Row>
      <Findings>
        {findings.slice(0, SAID).map((finding) => (
          <li key={finding.sentence} className={finding.level}>
            {finding.sentence}
          </li>
        ))}
      </Findings>
      {slides.length === 1 && first.kind === 'picture' && (
        <Picks
          label="Where the words stand"
          value={first.caption.place}
          options={[
            ['top', 'Top'],
            ['middle', 'Middle'],
            ['bottom', 'Bottom'],
          ]}
          onChange={(place) =>
            void edit({
              do: 'set caption',
              slide: first.id,
              caption: { place },
            })
          }
        />
      )}
      <StayField slides={slides} view={view} edit={edit} />
      {slides.length === 1 && first.take !== null && trims(view, first.take) && (
        <Toggle
          isSelected={first.trimmed}
          onChange={(trimmed) => void edit({ do: 'set trim', slide: first.id, trimmed })}
        >
          Leave out the silence around the voice
        </Toggle>
      )}
      {slides.some((s) => s.kind === 'picture') && (
        <>
          <Picks
            label="How the picture is shown"
            value={first.fit}
            options={[
              ['auto', 'As suits it'],
              ['fill', 'Fill the slide'],
              ['whole', 'Whole'],
            ]}
            onChange={(fit) => void edit({ do: 'set fit', slides: picked, fit })}
          />
          <Toggle
            isSelected={first.motion !== 'still'}
            onChange={(moves) => void edit({ do: 'set motion', slides: picked, motion: moves ? 'auto' : 'still' })}
          >
            A slow move across the picture
          </Toggle>
        </>
      )}
      <Picks
        label="How it joins the next"
        value={first.join.kind}
        options={joins}
        onChange={(kind) =>
          void edit({ do: 'set join', slides: picked, join: { kind, seconds: first.join.seconds || 1 } })
        }
      />
      {first.join.kind !== 'cut' && (
        <Picks
          label="Over how long"
          value={String(first.join.seconds)}
          options={[
            ['0.5', '½ s'],
            ['1', '1 s'],
            ['1.5', '1½ s'],
            ['2', '2 s'],
          ]}
          onChange={(seconds) =>
            void edit({ do: 'set join', slides: picked, join: { kind: first.join.kind, seconds: Number(seconds) } })
          }
        />
      )}
      {first.picture !== null && (
        <SourceFields key={first.picture} view={view} slides={slides} picture={first.picture} edit={edit} />
      )}
    </Card>
  );
}

/** Whether there is silence around a voice to be left out. */
function trims(view: StoryView, take: string): boolean {
  const spoken = view.story.takes[take];
  return spoken !== undefined && (spoken.from > 0 || spoken.to < spoken.samples);
}
