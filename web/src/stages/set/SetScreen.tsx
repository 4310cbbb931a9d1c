export function SetScreen() { return <p>SetScreen</p>; }
