/**
 * A press on a button that is off at the moment (it is being done, or cannot be done) is no press at all. Left to the library it
 * would be taken for one that goes on, and the next press, when the button is on again, would be lost: who presses twice, and
 * then once more, would have pressed once.
 */
export function keepPressesOffDisabledButtons(): void {
  document.addEventListener(
    'pointerdown',
    (event) => {
      if (event.target instanceof Element && event.target.closest('button:disabled')) event.stopImmediatePropagation();
    },
    { capture: true },
  );
}
