import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { Layer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { Segments } from '../../parts/Choice';
import { Card, fieldLook, IconButton } from '../../parts/controls';
import { BackIcon, OnIcon } from '../../parts/icons';
import { LengthThread } from '../../parts/Thread';
import { clock, secondsText } from '../../parts/time';
import { Preview, type PreviewHandle } from '../../stage/Preview';
import { useActs, useView } from '../../story/StoryContext';
import { assetOf, pictureOf, picturesOf, isWordsAlone } from '../../story/slides';
import { ArrangeField } from '../cells/ArrangeField';
import { CellsStage } from '../cells/CellsStage';
import { nameOf, type Row } from '../rows';
import { IconsStage } from '../icons/IconsStage';
import { OverFields } from '../OverFields';
import SlideSettings from '../SlideSettings';
import { ClipPart } from './clip/ClipPart';
import { Eye } from './Eye';
import { Fitted } from './Fitted';
import { Mend, type MendGroup } from './Mend';
import { WhichPicture } from './WhichPicture';
import { WordsPart } from './words/WordsPart';

const View = styled.div`
  display: grid;
  flex: 1;
  min-height: 0;
  gap: 12px 24px;
  grid-template-columns: minmax(0, 1fr) 384px;
  grid-template-rows: minmax(0, 1fr) auto;
  /* Its own child: a preview on it has a stage too. */
  > .stage {
    min-height: 0;
    min-width: 0;
    display: grid;
    grid-template: minmax(0, 1fr) auto / minmax(0, 1fr);
  }
  /* A picture is judged on a ground that is neither light nor coloured. */
  > .stage.mends {
    border-radius: var(--radius);
    background: #3a3d43;
  }
  .side {
    grid-column: 2;
    grid-row: 1 / 3;
    min-height: 0;
    overflow: auto;
    scrollbar-width: thin;
    padding: 4px;
    margin: -4px;
    display: grid;
    gap: 12px;
    align-content: start;
    /* None gives way to another: the whole scrolls. */
    grid-auto-rows: max-content;
  }
  /* All of them in one line, on a phone too. */
  .groups > div {
    width: 100%;
  }
  .groups label {
    padding-inline: 3px;
    font-size: 0.9375rem;
  }
  .groups label:nth-of-type(n + 9),
  .groups label:has(~ label:nth-of-type(9)) {
    padding-inline: 2px;
    font-size: 0.8125rem;
  }
  .words {
    ${fieldLook}
    gap: 12px;
    textarea {
      resize: none;
      field-sizing: content;
      max-height: 40dvh;
    }
    textarea.caption {
      font-weight: 600;
    }
    textarea.script {
      font: 1.05rem/1.45 var(--reading);
      min-height: 84px;
      max-height: 132px;
    }
  }
  .way {
    display: flex;
    align-items: center;
    gap: 8px 12px;
    min-width: 0;
  }
  .way .length {
    display: flex;
    align-items: center;
    gap: 12px;
    white-space: nowrap;
  }
  .way strong {
    white-space: nowrap;
    font: 600 1.05rem var(--reading);
  }
  .way .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    color: var(--soft);
  }
  @media (max-width: 1023px) {
    display: flex;
    flex: none;
    flex-direction: column;
    > * {
      flex: none;
    }
    > .stage {
      height: 42dvh;
    }
    .side {
      overflow: visible;
    }
  }
  @media (max-width: 600px) {
    .way {
      justify-content: space-between;
    }
    .way .length,
    .way .name {
      display: none;
    }
  }
`;
type Group = 'clip' | MendGroup | 'move' | 'words' | 'layout' | 'over' | 'slide';
const groups: [Group, Code][] = [
  ['clip', 'one.clip'],
  ['frame', 'one.frame'],
  ['light', 'one.light'],
  ['look', 'one.look'],
  ['move', 'one.move'],
  ['words', 'one.words'],
  ['layout', 'one.layout'],
  ['over', 'one.over'],
  ['slide', 'one.slide'],
];

interface Props {
  rows: Row[];
  picked: string[];
  onChoose: (keys: ReadonlySet<string>) => void;
}

/** One slide, as near as it gets: its picture is mended, its words are written, on the picture itself. */
export default function OneView({ rows, picked, onChoose }: Props) {
  const { id } = useActs();
  const { plan, story } = useView();
  const [group, setGroup] = useState<Group>('clip');
  /** The icon that is in hand. */
  const [held, setHeld] = useState<string>();
  /** Which of several pictures is meant. */
  const [hand, setHand] = useState<string>();
  const preview = useRef<PreviewHandle>(null);
  const at = Math.max(
    0,
    rows.findIndex((row) => row.id === picked[0]),
  );
  const row = rows[at];
  const picture = row && pictureOf(row.slide, hand);
  const pictured = picture !== undefined;
  const moves = assetOf(story, picture?.asset, 'picture')?.clip;
  const offered = groups.filter(
    ([one]) =>
      one === 'words' ||
      one === 'over' ||
      one === 'slide' ||
      (one === 'layout' ? row && !isWordsAlone(row.slide) : pictured && (one !== 'clip' || moves)),
  );
  // What a picture cannot have is its first group; what has no picture has words.
  const [usual] = offered.map(([one]) => one);
  const shown = offered.some(([one]) => one === group) ? group : (usual ?? 'words');
  // What lies in cells, and icons, may come late: where they are laid out they are all there.
  const isLaid = shown === 'layout' || shown === 'over' || shown === 'slide';
  const start = row?.scene ? (isLaid ? row.scene.end - 1 : row.scene.start + row.scene.comesIn) : 0;
  const drawn = row?.scene;
  useEffect(() => preview.current?.show(start), [start, shown, drawn]);
  if (!row) return null;
  const go = (to: number) => {
    const next = rows[to];
    if (next) onChoose(new Set([next.id]));
  };
  const mends = shown !== 'words' && !isLaid;
  const view = (stage: React.ReactNode, fields: React.ReactNode, under?: React.ReactNode) => (
    <View>
      <div className={mends ? 'stage mends' : 'stage'}>
        {stage}
        {under}
      </div>
      <div className="way">
        <IconButton label={say('one.before')} onPress={() => go(at - 1)} isDisabled={at === 0}>
          <BackIcon />
        </IconButton>
        <strong>{say('one.of', { slide: at + 1, count: rows.length })}</strong>
        <IconButton label={say('one.next')} onPress={() => go(at + 1)} isDisabled={at === rows.length - 1}>
          <OnIcon />
        </IconButton>
        {row.thread && (
          <span className="length">
            <LengthThread slide={row.thread} fps={row.fps} width={280} loose={row.loose} />
            {clock(row.thread.start / row.fps)} · {secondsText(row.thread.stay / row.fps)}
          </span>
        )}
        <span className="name">{nameOf(row)}</span>
      </div>
      <section className="side" aria-label={say('one.settings')}>
        <div className="groups">
          <Segments
            label={say('one.what')}
            value={shown}
            options={offered.map(([one, name]) => [one, say(name)])}
            onChange={setGroup}
          />
        </div>
        {mends && picture && picturesOf(row.slide).length > 1 && (
          <WhichPicture slide={row.slide} scene={row.scene} chosen={picture.id} onChoose={setHand} />
        )}
        {fields}
      </section>
    </View>
  );
  const layer = picture?.id ?? '';
  const key = `${row.id} ${layer}`;
  if (shown === 'clip' && row.scene)
    return (
      <ClipPart key={key} slide={row.slide} scene={row.scene} layer={layer}>
        {({ stage, under, fields }) => view(stage, fields, under)}
      </ClipPart>
    );
  if (shown === 'move' && row.scene)
    return (
      <Eye key={key} slide={row.slide} scene={row.scene} layer={layer} before={rows[at - 1]?.scene}>
        {({ stage, under, fields }) => view(stage, fields, under)}
      </Eye>
    );
  if (shown === 'frame' || shown === 'light' || shown === 'look')
    return (
      <Mend key={key} slide={row.slide} layer={layer} picked={picked} group={shown}>
        {({ stage, fields }) => view(stage, fields)}
      </Mend>
    );
  if (shown === 'words')
    return (
      <WordsPart key={row.id} row={row}>
        {({ stage, under, fields }) => view(stage, fields, under)}
      </WordsPart>
    );
  const openLayer = (meant: Layer) => {
    if (meant.kind === 'picture') setHand(meant.id);
    setGroup(meant.kind === 'picture' ? 'frame' : meant.kind === 'words' ? 'words' : 'over');
  };
  const over = (frame: number) =>
    shown === 'layout' ? (
      <CellsStage slide={row.slide} frame={frame} onOpen={openLayer} />
    ) : (
      <IconsStage slide={row.slide} frame={frame} onHeld={setHeld} />
    );
  return view(
    <Fitted>
      <Preview ref={preview} story={id} plan={plan} over={over} hidden={held} />
    </Fitted>,
    shown === 'slide' ? (
      <SlideSettings picked={[row.id]} isNear />
    ) : (
      <Card aria-label={say(shown === 'layout' ? 'layout.title' : 'slide.settings')} key={row.id}>
        {shown === 'layout' ? <ArrangeField slides={[row.slide]} /> : <OverFields slides={[row.slide]} />}
      </Card>
    ),
  );
}
