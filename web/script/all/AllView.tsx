import styled from 'styled-components';
import { useKept } from '../../parts/useKept';
import type { Row } from '../rows';
import type { SlideActs } from '../useArranging';
import type { Copying } from '../useCopying';
import type { OnFiles } from '../useSlideDrag';
import { AllSlides, SIZES, type SlideSize } from './AllSlides';
import { ChosenBar } from './ChosenBar';

const View = styled.div`
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 0;
`;
const KEY = 'rhapsode-slide-size';
interface Props {
  rows: Row[];
  chosen: ReadonlySet<string>;
  picked: string[];
  onChoose: (keys: ReadonlySet<string>) => void;
  onOpen: (slide: string) => void;
  onFiles: OnFiles;
  acts: SlideActs;
  copying: Copying;
  meant: string | null;
  onMet: () => void;
}

/** The story from far: all its slides, and what is done with the chosen ones. */
export default function AllView({ picked, acts, copying, ...seen }: Props) {
  const [size, change] = useKept(KEY, Object.keys(SIZES) as SlideSize[], 'medium');
  return (
    <View>
      <AllSlides {...seen} size={size} move={acts.move} />
      <ChosenBar
        picked={picked}
        first={seen.rows.findIndex((row) => row.id === picked[0]) + 1}
        acts={acts}
        copying={copying}
        onOpen={seen.onOpen}
        size={size}
        onSize={change}
      />
    </View>
  );
}
