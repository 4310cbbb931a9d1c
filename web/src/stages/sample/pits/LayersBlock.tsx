import { MOST, type Layer } from '@riffle/contract';
import { MATERIAL_NAMES, MATERIALS } from '@riffle/core';
import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { CreviceFields } from './CreviceFields.tsx';
import { HATCH } from './hatches.ts';
import { LayerFields } from './LayerFields.tsx';
import { asCrevice } from './readPit.ts';
import type { PitOnPage } from './usePit.ts';

/** The layers from the top down, one of them open; or the crack, where the pit is one. */
export function LayersBlock({ page }: { page: PitOnPage }) {
  const { inHand, layer, nth, pickLayer } = page;
  const { draft, sum, problem } = inHand;
  // A layer just put in is measured next: its thickness is typed over.
  const [fresh, setFresh] = useState<string | null>(null);
  const add = (material: Layer['material'], below: string | null): void => {
    const id = inHand.addLayer(material, below);
    if (id === null) return;
    pickLayer(id);
    setFresh(id);
  };
  return (
    <Block title="Layers" aside="from the top down; pick one here or in the drawing">
      {draft.layers.length > 0 && (
        <p className="mb-2 flex flex-wrap gap-2">
          {draft.layers.map((l, i) => (
            <button
              key={l.id}
              type="button"
              aria-pressed={l.id === layer?.id}
              aria-label={`Layer ${i + 1}, ${MATERIALS[l.material].says}`}
              className="min-h-12 min-w-12 border-2 border-ink px-2 aria-pressed:bg-ink aria-pressed:text-paper"
              onClick={() => pickLayer(l.id)}
            >
              {i + 1}
            </button>
          ))}
        </p>
      )}
      {layer && (
        <LayerFields
          key={layer.id}
          nth={nth + 1}
          layer={layer}
          sum={sum?.layers[nth]}
          isFresh={fresh === layer.id}
          onChange={(some) => inHand.setLayer(layer.id, some)}
          onRemove={() => inHand.removeLayer(layer.id)}
        />
      )}
      {!draft.crevice && draft.layers.length < MOST.layers && (
        <NextLayer
          says={layer ? `Below layer ${nth + 1} lies` : 'On top lies'}
          onAdd={(material) => add(material, layer?.id ?? null)}
        />
      )}
      {layer && nth === 0 && draft.layers.length < MOST.layers && (
        <Button look="quiet" onClick={() => add('sod', null)}>
          Something lies above it
        </Button>
      )}
      {problem?.field === 'layers' && draft.layers.length > 0 && <p className="text-danger">▲ {problem.says}</p>}
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

/** The next layer by its material: one tap puts it in. */
function NextLayer({ says, onAdd }: { says: string; onAdd: (material: Layer['material']) => void }) {
  return (
    <div role="group" aria-label={says} className="my-2 border-t border-rule pt-2">
      <p className="mb-1 font-semibold">{says}</p>
      <div className="grid grid-cols-3 gap-1.5 tight:grid-cols-2">
        {MATERIAL_NAMES.map((m) => (
          <button
            key={m}
            type="button"
            className="flex min-h-12 items-center gap-2 border-2 border-ink bg-picked px-1.5 text-left text-[13.5px] leading-tight active:bg-ink active:text-paper"
            onClick={() => onAdd(m)}
          >
            <svg width="20" height="26" aria-hidden="true" className="shrink-0">
              <rect x="1" y="1" width="18" height="24" fill={HATCH[m]} stroke="var(--ink)" />
            </svg>
            {MATERIALS[m].says}
          </button>
        ))}
      </div>
    </div>
  );
}
