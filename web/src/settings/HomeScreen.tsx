import { useState } from 'react';
import { install, isInstalled } from '../shell/install.ts';
import { Button } from '../ui/Button.tsx';
import { Block } from '../ui/Judgement.tsx';

/** The way to Riffle without a browser around it, and why one would want it. */
export function HomeScreen() {
  const [byHand, setByHand] = useState(false);
  if (isInstalled()) return null;
  return (
    <Block title="On the home screen" aside="opens like any other app, from cold, without a signal">
      <Button onClick={() => void install().then((asked) => setByHand(!asked))}>Put Riffle on the home screen</Button>
      {byHand && (
        <p role="status" className="mt-2">
          This browser does not ask for it here: open its menu, and choose to add this page to the home screen or to
          install it. Do it once at home, with a signal; the whole of it is then on the phone.
        </p>
      )}
    </Block>
  );
}
