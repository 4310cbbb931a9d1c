export function BooksScreen() { return <p>BooksScreen</p>; }
