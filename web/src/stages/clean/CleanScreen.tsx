export function CleanScreen() { return <p>CleanScreen</p>; }
