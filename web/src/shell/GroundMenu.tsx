import type { StoredGround } from '@riffle/contract';
import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import { useShow } from '../units/useShow.ts';

import { PickerFace } from './PickerFace.tsx';

export interface GroundMenuProps {
  readonly grounds: readonly StoredGround[];
  readonly current: StoredGround | undefined;
  readonly stage: string;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

/** Picks a ground and stays in the stage. */
export function GroundMenu({ grounds, current, stage, open, onOpenChange }: GroundMenuProps) {
  const navigate = useNavigate();
  const show = useShow();
  return (
    <DropdownMenu.Root open={open} onOpenChange={onOpenChange}>
      <DropdownMenu.Trigger className="block min-h-11 w-full text-left">
        <PickerFace name={current?.name} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <>
          <div className="pointer-events-auto fixed inset-0 z-20" />
          <DropdownMenu.Content align="start" sideOffset={4} className="z-30 min-w-64 border-2 border-ink bg-paper">
            {grounds.map((g) => (
              <DropdownMenu.Item
                key={g.id}
                onSelect={() => void navigate(`/g/${g.id}/${stage}`)}
                className="flex min-h-11 cursor-pointer items-baseline justify-between gap-4 border-b border-rule px-4 py-2 outline-none data-[highlighted]:bg-ink data-[highlighted]:text-paper"
              >
                <span className="font-serif font-semibold">{g.name}</span>
                <span className="text-[13px]">
                  {g.kind}, {show.distance(g.length_m)}
                </span>
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Item
              onSelect={() => void navigate('/grounds/new')}
              className="min-h-11 cursor-pointer px-4 py-2 outline-none data-[highlighted]:bg-ink data-[highlighted]:text-paper"
            >
              New ground ...
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
