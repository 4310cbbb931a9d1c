import { valueOf } from '../../units/readEntered.ts';
import { Block } from '../../ui/Judgement.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { BoxSide } from './BoxSide.tsx';
import { CatchChart } from './CatchChart.tsx';
import { FeedDial } from './FeedDial.tsx';
import type { SolvedSetup } from './readSetup.ts';
import { SetNumbers } from './SetNumbers.tsx';
import type { SetOnPage } from './useSetScreen.ts';

interface SolvedBoxProps {
  readonly page: SetOnPage;
  readonly solved: NonNullable<SolvedSetup['solved']>;
}

/** The box worked out: from the side, where it catches, how fast to feed it, and the figures. */
export function SolvedBox({ page, solved }: SolvedBoxProps) {
  const [attach, width] = useWidth(700);
  const { setting, now, advice } = solved;
  const { readings } = page.inHand;
  // Box and catch stand over each other, length on length.
  const [left, right] = width > 480 ? [52, width - 130] : [40, width - 112];
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1fr)_14rem]">
      <div ref={attach} className="flex min-w-0 flex-col gap-4">
        <Block title="The box from the side" aside="to scale; drag head and water; dashed: where it should go">
          <BoxSide
            width={width}
            left={left}
            right={right}
            {...solved}
            onSlope={(slope) => page.dragSlope(slope, setting.length_m)}
            onDepth={page.dragDepth}
          />
        </Block>
        <Block
          title="Where each size is caught"
          aside="of the gold fed; flakes a third as thick as wide; band: two settling laws"
        >
          <CatchChart width={width} left={left} right={right} length_m={setting.length_m} answer={now} />
        </Block>
      </div>
      <div className="grid content-start gap-x-8 gap-y-4 sm:grid-cols-2 xl:grid-cols-1">
        <Block title="Feed it">
          <FeedDial answer={now} scoop_L={valueOf(readings.scoop)} bucket_L={valueOf(readings.bucket)} />
        </Block>
        <Block title="In figures">
          <SetNumbers setting={setting} now={now} advice={advice} />
        </Block>
      </div>
    </div>
  );
}
