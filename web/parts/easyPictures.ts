import all from '../../schema/pictures.json';
import { say, type Code } from '../messages/say';

/** By what each is called; they are the set's that stories use, too. */
const drawings = import.meta.glob<string>(
  '../../studio/icons/made/{balloon,banana,bell,bread,carrot,cat,cherries,dog,drum,fish,horse,house,key,owl,pear,rainbow,sailboat,snail,star,sun,sunflower,train,turtle,umbrella}.svg',
  { query: '?url', import: 'default', eager: true },
);
const names: Record<string, Code> = {
  balloon: 'picture.balloon',
  banana: 'picture.banana',
  bell: 'picture.bell',
  bread: 'picture.bread',
  carrot: 'picture.carrot',
  cat: 'picture.cat',
  cherries: 'picture.cherries',
  dog: 'picture.dog',
  drum: 'picture.drum',
  fish: 'picture.fish',
  horse: 'picture.horse',
  house: 'picture.house',
  key: 'picture.key',
  owl: 'picture.owl',
  pear: 'picture.pear',
  rainbow: 'picture.rainbow',
  sailboat: 'picture.sailboat',
  snail: 'picture.snail',
  star: 'picture.star',
  sun: 'picture.sun',
  sunflower: 'picture.sunflower',
  train: 'picture.train',
  turtle: 'picture.turtle',
  umbrella: 'picture.umbrella',
};

export interface EasyPicture {
  picture: string;
  name: string;
  url: string;
}

const easyPicture = (picture: string): EasyPicture => ({
  picture,
  name: names[picture] ? say(names[picture]) : picture,
  url: drawings[`../../studio/icons/made/${picture}.svg`] ?? '',
});

/** All that cards are made of. */
export const easyPictures = (): EasyPicture[] => all.map(easyPicture);
/** Those of a secret, in its order. */
export const picturesOf = (secret: string): EasyPicture[] => secret.split(' ').filter(Boolean).map(easyPicture);
