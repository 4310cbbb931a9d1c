import { MOST } from '@riffle/contract';
import { Button } from '../../../ui/Button.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { CreviceFields } from './CreviceFields.tsx';
import { LayerFields } from './LayerFields.tsx';
import { asCrevice } from './readPit.ts';
import type { PitOnPage } from './usePit.ts';

/** The layers from the top down, one of them open; or the crack, where the pit is one. */
export function LayersBlock({ page: { inHand, layer, nth, pickLayer } }: { page: PitOnPage }) {
  const { draft, sum, problem } = inHand;
  return (
    <Block title="Layers" aside="pick one in the drawing">
      <p className="mb-2 flex flex-wrap gap-2">
        {draft.layers.map((l, i) => (
          <button
            key={l.id}
            type="button"
            aria-pressed={l.id === layer?.id}
            className="min-h-11 min-w-11 border-2 border-ink px-2 aria-pressed:bg-ink aria-pressed:text-paper"
            onClick={() => pickLayer(l.id)}
          >
            {i + 1}
          </button>
        ))}
        <Button onClick={inHand.addLayer} disabled={draft.layers.length >= MOST.layers}>
          Add below
        </Button>
      </p>
      {layer && (
        <LayerFields
          nth={nth + 1}
          layer={layer}
          sum={sum?.layers[nth]}
          onChange={(some) => inHand.setLayer(layer.id, some)}
          onRemove={() => inHand.removeLayer(layer.id)}
        />
      )}
      {problem?.field === 'layers' && <p className="text-danger">▲ {problem.says}</p>}
      {draft.crevice ? (
        <CreviceFields inHand={inHand} />
      ) : (
        <Button look="quiet" onClick={() => inHand.change(asCrevice(draft))}>
          It is a crevice
        </Button>
      )}
    </Block>
  );
}
