import { useState } from 'react';
import { Label, NumberField, Input } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useSession } from '../account/session';
import type { Finding, HandIn, Remark, Slide, StoryView } from '../api/types';
import { Button, Card, Field, Row, Soft, fieldLook } from '../parts/controls';
import { Picks, Select } from '../parts/Choice';
import { clock } from '../parts/time';
import { Toggle } from '../parts/Toggle';
import type { StoryHold } from '../story/useStory';
import { useSavedText } from '../story/useSavedText';
import { Beds } from './Beds';
import { CaptionsIn } from './CaptionsIn';

const joins: [Slide['join']['kind'], string][] = [
  ['cut', 'Cut'],
  ['crossfade', 'Crossfade'],
  ['through-dark', 'Through dark'],
  ['through-light', 'Through light'],
  ['sweep', 'Sweep'],
  ['rise', 'Rise'],
];
const shapes: [StoryView['story']['shape'], string][] = [
  ['16:9', 'Wide 16:9'],
  ['4:3', 'Classic 4:3'],
  ['1:1', 'Square'],
  ['9:16', 'Upright 9:16'],
];

const Stay = styled(NumberField)`
  ${fieldLook}
  .box {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  input {
    width: 92px;
  }
`;
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
const Loud = styled.p`
  border-left: 4px solid var(--ochre);
  background: var(--ochre-wash);
  padding: 8px 12px;
  border-radius: 0 4px 4px 0;
`;

interface Props {
  view: StoryView;
  edit: StoryHold['edit'];
  take: StoryHold['take'];
  picked: string[];
  remarks: Remark[];
  answer: HandIn | undefined;
  onPick: (slide: string) => void;
}

/** What can be set for the chosen slides; with none chosen, what concerns the whole story. */
export function SlidePanel({ view, edit, take, picked, remarks, answer, onPick }: Props) {
  const slides = view.story.slides.filter((s) => picked.includes(s.id));
  const [first] = slides;
  if (!first) return <Whole view={view} edit={edit} take={take} remarks={remarks} answer={answer} onPick={onPick} />;
  const index = view.story.slides.indexOf(first);
  const findings = view.proof.filter((f) => f.slide !== null && picked.includes(f.slide));
  return (
    <Card aria-label="The chosen slides" key={first.id}>
      <h2>{slides.length === 1 ? `Slide ${index + 1}` : `${slides.length} slides`}</h2>
      <Findings>
        {findings.map((finding) => (
          <li key={finding.rule + finding.slide} className={finding.level}>
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

function StayField({ slides, view, edit }: { slides: Slide[]; view: StoryView; edit: StoryHold['edit'] }) {
  const free = slides.filter((s) => s.take === null);
  const [total, setTotal] = useState(90);
  const [first] = free;
  if (!first)
    return (
      <Soft>
        {slides.length === 1 ? 'It stays as long as its voice lasts.' : 'They stay as long as their voices last.'}
      </Soft>
    );
  const planned = view.plan.slides.find((s) => s.id === first.id);
  return (
    <>
      <Stay
        value={(planned?.stay ?? 0) / view.plan.fps}
        minValue={0.5}
        maxValue={600}
        step={0.5}
        onChange={(stay) => void edit({ do: 'set stay', slides: free.map((s) => s.id), stay })}
      >
        <Label>
          {free.length === 1 ? 'Stays for (seconds)' : `Each of the ${free.length} without a voice stays for (seconds)`}
        </Label>
        <div className="box">
          <Input />
          {first.stay !== null && (
            <Button onPress={() => void edit({ do: 'set stay', slides: free.map((s) => s.id), stay: null })}>
              The usual time
            </Button>
          )}
        </div>
      </Stay>
      {free.length > 1 && (
        <Stay value={total} minValue={1} step={1} onChange={setTotal}>
          <Label>Or share a length out over them (seconds)</Label>
          <div className="box">
            <Input />
            <Button onPress={() => void edit({ do: 'share length', slides: free.map((s) => s.id), seconds: total })}>
              Share out
            </Button>
          </div>
        </Stay>
      )}
    </>
  );
}

/** Whose picture it is. Licences are offered, anything may be written. */
function SourceFields({
  view,
  slides,
  picture,
  edit,
}: {
  view: StoryView;
  slides: Slide[];
  picture: string;
  edit: StoryHold['edit'];
}) {
  const source = view.story.pictures[picture]?.source ?? { title: '', author: '', link: '', licence: '' };
  const pictures = [...new Set(slides.map((s) => s.picture).filter((p): p is string => p !== null))];
  const { person } = useSession();
  const save = (change: Partial<typeof source>) => void edit({ do: 'set source', pictures, source: change });
  const title = useSavedText(source.title, (text) => save({ title: text }));
  const author = useSavedText(source.author, (text) => save({ author: text }));
  const link = useSavedText(source.link, (text) => save({ link: text }));
  const licence = useSavedText(source.licence, (text) => save({ licence: text }));
  return (
    <>
      <h3>Source</h3>
      <Row>
        <Button onPress={() => save({ author: person?.firstName ?? '', licence: 'my own work' })}>
          I made {pictures.length === 1 ? 'it' : 'them'} myself
        </Button>
      </Row>
      <Field label="Title" {...title} max={200} />
      <Field label="Author" {...author} max={200} />
      <Field label="Link" {...link} max={500} />
      <Field label="Licence, such as CC BY 4.0" {...licence} max={100} />
    </>
  );
}

function Whole({ view, edit, take, remarks, answer, onPick }: Omit<Props, 'picked'>) {
  const { assignment, plan } = view;
  return (
    <Card aria-label="The whole story">
      {answer?.state === 'returned' && (
        <Loud>
          <strong>Returned:</strong> {answer.answer}{' '}
          {remarks.length > 0 &&
            `${remarks.length === 1 ? 'One remark stands' : `${remarks.length} remarks stand`} beside the slides.`}{' '}
          <Link to={`/handins/${answer.id}`}>Watch it with the remarks</Link>
        </Loud>
      )}
      <h2>The whole story</h2>
      <p>
        {view.story.slides.length} slides, {clock(plan.frames / plan.fps)}
        {assignment && ` · ${assignment.title}: ${clock(assignment.leastSeconds)} to ${clock(assignment.mostSeconds)}`}
      </p>
      <h3>Proof</h3>
      <ProofList findings={view.proof} onPick={onPick} />
      <Toggle isSelected={view.story.credits} onChange={(credits) => void edit({ do: 'show credits', credits })}>
        Credits at the end, made from the sources
      </Toggle>
      <Picks
        label="Shape of the film"
        value={view.story.shape}
        options={shapes}
        onChange={(shape) => void edit({ do: 'set shape', shape })}
      />
      <Select
        label="Language"
        value={view.story.language}
        options={languages(view.story.language)}
        onChange={(language) => void edit({ do: 'set language', language })}
      />
      <Beds view={view} edit={edit} take={take} />
      <CaptionsIn view={view} edit={edit} take={take} />
      <Soft>Choose a slide to set how long it stays, how its picture is shown, and whose it is.</Soft>
    </Card>
  );
}

/** The languages most asked for, by their own names, and the one the story has. */
function languages(own: string): [string, string][] {
  const tags = [
    'ar',
    'cs',
    'de',
    'el',
    'en',
    'es',
    'fa',
    'fi',
    'fr',
    'he',
    'hi',
    'hu',
    'it',
    'ja',
    'ko',
    'nb',
    'nl',
    'pl',
    'pt',
    'ro',
    'ru',
    'sv',
    'sw',
    'th',
    'tr',
    'uk',
    'ur',
    'vi',
    'zh',
  ];
  return [...new Set([...tags, own])].map((tag) => {
    let name = tag;
    try {
      name = new Intl.DisplayNames([tag], { type: 'language' }).of(tag) ?? tag;
    } catch {
      // A tag that nobody knows stands for itself.
    }
    return [tag, name];
  });
}

export function ProofList({ findings, onPick }: { findings: Finding[]; onPick: (slide: string) => void }) {
  if (findings.length === 0) return <p>Nothing that would embarrass you.</p>;
  return (
    <Findings>
      {findings.map((finding) => (
        <li key={finding.rule + (finding.slide ?? '')} className={finding.level}>
          {finding.slide === null ? (
            finding.sentence
          ) : (
            <Button style={{ border: 0, background: 'none', padding: 0 }} onPress={() => onPick(finding.slide ?? '')}>
              {finding.sentence}
            </Button>
          )}
        </li>
      ))}
    </Findings>
  );
}
