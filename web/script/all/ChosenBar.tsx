import styled from 'styled-components';
import { say, type Code } from '../../messages/say';
import { offered, Segments } from '../../parts/Choice';
import { Quiet, Soft } from '../../parts/controls';
import type { SlideActs } from '../useArranging';
import type { Copying } from '../useCopying';
import type { SlideSize } from './AllSlides';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  border-top: 1px solid var(--line);
  padding-top: 8px;
  min-height: 48px;
  > .size {
    margin-inline-start: auto;
  }
`;
const sizes: [SlideSize, Code][] = [
  ['small', 'arrange.small'],
  ['medium', 'arrange.medium'],
  ['large', 'arrange.large'],
];

interface Props {
  picked: string[];
  /** The number of the first of them. */
  first: number;
  acts: SlideActs;
  copying: Copying;
  onOpen: (slide: string) => void;
  size: SlideSize;
  onSize: (size: SlideSize) => void;
}

/** What is done with the chosen slides. */
export function ChosenBar({ picked, first, acts, copying, onOpen, size, onSize }: Props) {
  const [only] = picked;
  const touch = window.matchMedia('(hover: none)').matches;
  return (
    <Bar role="group" aria-label={say('arrange.bar')}>
      {picked.length === 0 ? (
        <Soft>{touch ? say('arrange.none-touch') : say('arrange.none')}</Soft>
      ) : (
        <>
          <span role="status">{say('arrange.chosen', { count: picked.length, slide: first })}</span>
          {only !== undefined && picked.length === 1 && (
            <Quiet onPress={() => onOpen(only)}>{say('arrange.open')}</Quiet>
          )}
          <Quiet onPress={() => acts.step(picked, -1)}>{say('arrange.earlier')}</Quiet>
          <Quiet onPress={() => acts.step(picked, 1)}>{say('arrange.later')}</Quiet>
          <Quiet onPress={() => acts.duplicate(picked)}>{say('arrange.duplicate')}</Quiet>
          <Quiet onPress={copying.copy}>{say('arrange.copy')}</Quiet>
          <Quiet onPress={copying.cut}>{say('arrange.cut')}</Quiet>
          <Quiet onPress={() => acts.remove(picked)}>{say('arrange.delete')}</Quiet>
        </>
      )}
      {copying.paste && <Quiet onPress={copying.paste}>{say('arrange.paste')}</Quiet>}
      <span className="size">
        <Segments label={say('arrange.size')} value={size} options={offered(sizes)} onChange={onSize} />
      </span>
    </Bar>
  );
}
