import { Link } from 'react-router';

/** A page that is not there. */
export function NotFound() {
  return (
    <main className="message-page">
      <h1>There is no such page</h1>
      <p>The address leads nowhere. The layout and all its jobs are on the line.</p>
      <Link to="/">To the line</Link>
    </main>
  );
}
