import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { useSession } from '../api/session';
import { Button, Field, Row } from '../parts/controls';
import { useActs, useView } from '../story/StoryContext';
import { useSavedText } from '../story/useSavedText';
import { say } from '../messages/say';

/** Beside each other where there is room. */
const Pairs = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px 12px;
  align-items: end;
`;
const nothing = { title: '', author: '', link: '', licence: '' };
type Part = keyof typeof nothing;

/** Whose work assets are. What is not known may stay empty; what is offered, anything may be written. */
export function SourceFields({
  assets,
  mine,
  labels,
}: {
  assets: string[];
  mine: string;
  labels: Record<Part, string>;
}) {
  const { edit } = useActs();
  const known = useView().story.assets[assets[0] ?? '']?.source ?? nothing;
  const { person } = useSession();
  const save = (change: Partial<typeof nothing>) => void edit({ do: 'set source', assets, source: change });
  const title = useSavedText(known.title, (text) => save({ title: text }));
  const author = useSavedText(known.author, (text) => save({ author: text }));
  const link = useSavedText(known.link, (text) => save({ link: text }));
  const licence = useSavedText(known.licence, (text) => save({ licence: text }));
  return (
    <>
      <Row>
        <Button onPress={() => save({ author: person?.firstName ?? '', licence: say('source.my-own-work') })}>
          {mine}
        </Button>
      </Row>
      <Pairs>
        <Field label={labels.title} {...title} max={limits.sourceTitle} />
        <Field label={labels.author} {...author} max={limits.sourceAuthor} />
        <Field label={labels.link} {...link} max={limits.sourceLink} />
        <Field label={labels.licence} {...licence} max={limits.sourceLicence} />
      </Pairs>
    </>
  );
}
