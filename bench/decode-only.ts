import { createServer } from 'node:http';
import { readTracesJson, readTracesProtobuf } from '@toplens/core/formats';

/** What any server must do at the least: take the body and read its spans. The measure for the full path. */
createServer((request, response) => {
  const chunks: Buffer[] = [];
  request.on('data', (chunk: Buffer) => chunks.push(chunk));
  request.on('end', () => {
    const body = Buffer.concat(chunks);
    const spans =
      request.headers['content-type'] === 'application/json'
        ? readTracesJson(JSON.parse(body.toString('utf8')))
        : readTracesProtobuf(body);
    response.end(String(spans.length));
  });
}).listen(Number(process.argv[2]), '127.0.0.1');
