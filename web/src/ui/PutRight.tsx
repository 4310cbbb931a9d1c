import { Button } from './Button.tsx';

/** The end of a slip that puts a record right: keep it so, or take it out. */
export const PutRight = ({ onTakeOut }: { readonly onTakeOut: () => void }) => (
  <div className="mt-2 flex flex-wrap gap-3">
    <Button look="main" type="submit">
      Keep it so
    </Button>
    <Button look="danger" onClick={onTakeOut}>
      Take it out
    </Button>
  </div>
);
