import { useSession } from '../account/session';
import type { Slide, StoryView } from '../api/types';
import { Button, Field, Row } from '../parts/controls';
import type { StoryHold } from '../story/useStory';
import { useSavedText } from '../story/useSavedText';

/** Whose picture it is. Licences are offered, anything may be written. */
export function SourceFields({
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
