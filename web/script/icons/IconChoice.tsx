import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Input, Label, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import type { IconLayer } from '../../api/types';
import { say } from '../../messages/say';
import { Cards } from '../../parts/Cards';
import { Button, fieldLook, Soft } from '../../parts/controls';
import { iconUrl } from '../../stage/layers/icon';
import { assetOf } from '../../story/slides';
import { useActs, useView } from '../../story/StoryContext';
import { TakePicture } from '../TakePicture';
import { isSign, Sign, signs } from './signs';

const Chosen = styled.div`
  display: flex;
  align-items: center;
  gap: 10px;
  > span {
    width: 44px;
    height: 44px;
    flex: none;
  }
  > span > img,
  > span > svg {
    width: 100%;
    height: 100%;
    display: block;
    object-fit: contain;
  }
  flex-wrap: wrap;
`;
const Offered = styled.div`
  ${fieldLook}
  display: grid;
  gap: 8px;
  margin-top: 8px;
  .found {
    max-height: 264px;
    overflow: auto;
    padding: 6px;
    margin: -6px;
    scrollbar-width: thin;
  }
  .found img,
  .found svg {
    width: 32px;
    height: 32px;
    margin: auto;
    display: block;
  }
  input {
    width: 100%;
  }
`;

/** What an icon shows: found by words in the language of the story, chosen by seeing it. */
export function IconChoice({
  slide,
  icon,
  onChange,
}: {
  slide: string;
  icon: IconLayer;
  onChange: (name: string) => void;
}) {
  const { id } = useActs();
  const value = icon.name ?? 'star';
  const picture = assetOf(useView().story, icon.asset, 'picture');
  const { language } = useView().story;
  const [isOpen, open] = useState(false);
  return (
    <>
      <Chosen>
        <span>
          <Shown story={id} icon={icon} isTransparent={picture?.transparent ?? false} />
        </span>
        <Button aria-expanded={isOpen} onPress={() => open(!isOpen)}>
          {say('icon.choose')}
        </Button>
        <TakePicture onto={{ slide, layer: icon.id }} label={say('icon.own-picture')} isStill />
      </Chosen>
      {isOpen && <Found value={icon.asset ? '' : value} language={language} onChange={onChange} />}
    </>
  );
}

function Shown({
  story,
  icon: { name = 'star', asset },
  isTransparent,
}: {
  story: string;
  icon: IconLayer;
  isTransparent: boolean;
}) {
  if (asset)
    return <img src={`/api/stories/${story}/assets/${asset}/${isTransparent ? 'cutout.png' : 'thumb.jpg'}`} alt="" />;
  return isSign(name) ? <Sign name={name} /> : <img src={iconUrl(name)} alt="" />;
}

function Found({ value, language, onChange }: { value: string; language: string; onChange: (name: string) => void }) {
  const [words, setWords] = useState('');
  const asked = useDeferredValue(words.trim());
  const { data } = useQuery({
    queryKey: ['icons', language, asked],
    queryFn: () => answer(api.GET('/api/icons.json', { params: { query: { words: asked, language } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  const drawings = (data ?? []).map(({ name, label }) => ({
    key: name,
    name: label,
    content: () => <img src={iconUrl(name)} alt="" loading="lazy" />,
  }));
  const own = signs
    .filter(([, called]) => asked === '' || say(called).toLowerCase().includes(asked.toLowerCase()))
    .map(([name, called]) => ({ key: name, name: say(called), content: () => <Sign name={name} /> }));
  const options = [...own, ...drawings.filter(({ key }) => !isSign(key))];
  return (
    <Offered>
      <SearchField value={words} onChange={setWords}>
        <Label>{say('icon.find')}</Label>
        <Input maxLength={60} placeholder={say('icon.find.hint')} />
      </SearchField>
      <div className="found" data-many="one of many icons">
        {data && options.length === 0 ? (
          <Soft role="status">{say('icon.none', { words: asked })}</Soft>
        ) : (
          <Cards
            label={say('icon.title')}
            value={value}
            across="repeat(auto-fill, minmax(46px, 1fr))"
            options={options}
            onChange={onChange}
          />
        )}
      </div>
    </Offered>
  );
}
