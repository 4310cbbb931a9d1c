// A server that does nothing but ask PostgreSQL what it is sent, in a process of its own: what a request must cost here.
import { createServer } from 'node:http';
import pg from 'pg';

const pool = new pg.Pool({ connectionString: process.argv[2], max: 10 });
const server = createServer((request, answer) => {
  let sent = '';
  request.on('data', (chunk) => (sent += chunk));
  request.on('end', () => {
    const { text, values } = JSON.parse(sent);
    pool.query(text, values).then(
      ({ rows }) => answer.end(JSON.stringify(rows)),
      (error) => answer.writeHead(500).end(String(error)),
    );
  });
});
server.listen(0, '127.0.0.1', () => process.send(server.address().port));
process.once('disconnect', () => process.exit(0));
