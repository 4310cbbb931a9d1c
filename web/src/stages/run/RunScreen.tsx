export function RunScreen() { return <p>RunScreen</p>; }
