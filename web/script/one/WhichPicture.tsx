import styled from 'styled-components';
import type { PlannedPicture, Scene, Slide } from '../../api/types';
import { say } from '../../messages/say';
import { Cards } from '../../parts/Cards';
import { useActs, useView } from '../../story/StoryContext';
import { assetOf, picturesOf } from '../../story/slides';
import { plannedIn } from './framing';

const Small = styled.img`
  display: block;
  width: 100%;
  height: 44px;
  object-fit: cover;
  border-radius: 2px;
`;

const small = (story: string, planned: PlannedPicture | undefined): string =>
  `/api/stories/${story}/assets/${planned?.rendition.asset ?? ''}/${(planned?.rendition.name ?? 'full').replace('full', 'thumb')}.jpg`;

/** Which of several pictures of a slide is meant. */
export function WhichPicture({
  slide,
  scene,
  chosen,
  onChoose,
}: {
  slide: Slide;
  scene: Scene | undefined;
  chosen: string;
  onChoose: (layer: string) => void;
}) {
  const { id } = useActs();
  const { story } = useView();
  return (
    <Cards
      label={say('cells.which')}
      value={chosen}
      across="repeat(4, 1fr)"
      options={picturesOf(slide).map(({ id: layer, asset }, i) => ({
        key: layer,
        name: say('cells.picture', { number: i + 1, file: assetOf(story, asset, 'picture')?.file ?? '' }),
        content: () => <Small src={small(id, plannedIn(scene, layer))} alt="" />,
      }))}
      onChange={onChoose}
    />
  );
}
