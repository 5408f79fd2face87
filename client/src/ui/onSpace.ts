/**
 * Lets the space bar press what is no plain button: on the web React Native presses radios, checkboxes and switches
 * by Enter alone, where people and screen readers use the space bar.
 */
export const onSpace = (press: () => void) => ({
  onKeyDown: (event: { key: string; preventDefault: () => void }) => {
    if (event.key !== ' ') return;
    event.preventDefault();
    press();
  },
});
