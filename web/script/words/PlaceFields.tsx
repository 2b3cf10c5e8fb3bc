import type { Scene, Slide, WordsLayer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Picks } from '../../parts/Choice';
import { Button, Row } from '../../parts/controls';
import { picturesOf } from '../../story/slides';
import type { Which } from './LookFields';
import { useTellWords } from './useTell';
import { WordsSpot } from './WordsSpot';

type Align = NonNullable<WordsLayer['align']>;
const AUTO = 'auto';
const aligns: [Align | 'auto', Code][] = [
  [AUTO, 'place.auto'],
  ['left', 'align.left'],
  ['center', 'align.center'],
  ['right', 'align.right'],
];

/** Where words stand on a picture. */
export function PlaceFields({ slide, which }: { slide: Slide; scene: Scene | undefined; which: Which }) {
  const { layer } = which;
  const tell = useTellWords(slide, which);
  const pictures = picturesOf(slide);
  return (
    <>
      {layer?.cell === undefined ? (
        <>
          <WordsSpot slide={slide} words={layer} />
          <p className="hint">{say('words.drag')}</p>
        </>
      ) : (
        <p className="hint">{say('words.in-cell')}</p>
      )}
      {layer?.role === 'label' && pictures.length > 1 && (
        <Picks
          label={say('words.points-into')}
          value={layer.of ?? pictures[0]?.id ?? ''}
          options={pictures.map(({ id }, i) => [id, say('cells.number', { number: i + 1 })])}
          onChange={(of) => tell({ of })}
        />
      )}
      <Picks
        label={say('words.align')}
        value={layer?.align ?? AUTO}
        options={offered(aligns)}
        onChange={(align) => tell({ align: align === AUTO ? null : align })}
      />
      {layer?.width !== undefined && (
        <Row>
          <Button onPress={() => tell({ width: null })}>{say('words.usual-width')}</Button>
        </Row>
      )}
    </>
  );
}
