import type { Ref } from 'react';
import { ButtonContext, useSlottedContext } from 'react-aria-components';

/**
 * Stands for the handle of a row that is dragged by itself, or too far away to be dragged: the list warns of each that has none,
 * and warnings of two hundred rows take longer than the rows.
 */
export function NoHandle() {
  const drag = useSlottedContext(ButtonContext, 'drag');
  return <span ref={drag?.ref as Ref<HTMLSpanElement>} hidden />;
}
