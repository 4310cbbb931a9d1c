import { fork } from 'node:child_process';
import { Agent, request } from 'node:http';
import { quantile, show } from './figures.mjs';
import { CREW_ID, databaseUrlOf, largeSeasonIn, LARGE_GROUND_ID } from './largeSeason.mjs';
import { START } from '../setup.mjs';

const RATE = 200;
const SECONDS = 15;
/** Seconds of the same load before the clock starts. */
const WARM_UP_S = 8;

/** It comes a minute after the start, takes a while, and is not what is measured here. */
async function backupOfTheDay(port) {
  for (;;) {
    const { work, kept } = await (await fetch(`http://localhost:${port}/api/v1/backups`)).json();
    if (work === null && kept.length > 0) return;
    await new Promise((resolve) => setTimeout(resolve, 1000));
  }
}

/** What asks PostgreSQL and nothing else, in the place of Riffle; with the same heap. */
async function startBareServer(databaseUrl) {
  const child = fork(new URL('bareServer.mjs', import.meta.url), [databaseUrl], { execArgv: START.slice(0, -1) });
  const port = await new Promise((resolve) => child.once('message', resolve));
  return { port, stop: () => child.disconnect() };
}

/**
 * Lists and writes at a steady rate against 100,000 samples and 1,000,000 events. Beside them: the same statements asked of
 * PostgreSQL one after another, and the same statements at the same rate through a server that does nothing else.
 */
export async function load(port, home) {
  const { v7 } = await import('uuid');
  const client = await largeSeasonIn(home);
  await backupOfTheDay(port);

  const agent = new Agent({ keepAlive: true, maxSockets: 64 });
  const callAt = (port, method, path, body) =>
    new Promise((resolve, reject) => {
      const began = performance.now();
      const text = body && JSON.stringify(body);
      const r = request(
        {
          host: '127.0.0.1',
          port,
          method,
          path,
          agent,
          headers: {
            host: `localhost:${port}`,
            ...(text && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
          },
        },
        (answer) => {
          answer.resume();
          answer.once('end', () => resolve({ status: answer.statusCode, ms: performance.now() - began }));
        },
      );
      r.once('error', reject);
      r.end(text);
    });
  const call = (method, path, body) => callAt(port, method, `/api/v1${path}`, body);
  const hex = (n) => n.toString(16).padStart(12, '0');
  const someSample = () => `01900000-0000-7000-8020-${hex(1 + Math.floor(Math.random() * 99_000))}`;
  const sample = () => ({
    id: v7(),
    deleted: false,
    groundId: LARGE_GROUND_ID,
    spotId: `01900000-0000-7000-8010-${hex(1 + Math.floor(Math.random() * 100))}`,
    takenAt: new Date().toISOString(),
    depth_m: 0.4,
    depthEntered: { text: '0.4', unit: 'm' },
    volume_L: 9.5,
    volumeEntered: { text: '2', unit: 'pan' },
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': 0, '20-40': 1, '-40': 3 },
    blackSand: 1,
    gold_mg: null,
    goldEntered: null,
    note: '',
    baseVersion: 0,
  });
  const deviceId = v7();
  let taps = 0;
  const tap = () => ({
    events: [
      {
        id: v7(),
        kind: 'bucket',
        at: new Date().toISOString(),
        spotId: null,
        volume_L: 20,
        fullness: 'full',
        undoes: null,
        deviceId,
        deviceCount: taps++,
      },
    ],
  });
  const kinds = {
    'list page of 100 samples': () =>
      call('GET', `/grounds/${LARGE_GROUND_ID}/samples?limit=100&after=${someSample()}`),
    'single sample written': () => {
      const one = sample();
      return call('PUT', `/samples/${one.id}`, one);
    },
    'bucket logged to a run': () =>
      call('POST', `/runs/01900000-0000-7000-8030-${hex(1 + Math.floor(Math.random() * 20_000))}/events`, tap()),
  };

  const statements = {
    'list page of 100 samples': {
      text: 'select * from sample where crew_id = $1 and ground_id = $2 and id > $3 order by id limit 100',
      values: () => [CREW_ID, LARGE_GROUND_ID, someSample()],
    },
    'single sample written': {
      text: `insert into sample (crew_id, id, ground_id, spot_id, taken_at, depth_m, depth_entered, volume_l, volume_entered, volume_state, colors_over_10, colors_10_20, colors_20_40, colors_under_40, black_sand)
       values ($1, $2, $3, $4, now(), 0.3, '{}', 9, '{}', 'loose', 0, 0, 0, 1, 0)`,
      values: () => {
        const one = sample();
        return [CREW_ID, one.id, one.groundId, one.spotId];
      },
    },
    'bucket logged to a run': {
      text: `insert into run_event (crew_id, id, ground_id, run_id, kind, at, volume_l) values ($1, $2, $3, '01900000-0000-7000-8030-000000000001', 'bucket', now(), 20)`,
      values: () => [CREW_ID, v7(), LARGE_GROUND_ID],
    },
  };
  const names = Object.keys(kinds);
  const alone = {};
  for (const name of names) {
    const { text, values } = statements[name];
    const times = [];
    for (let i = 0; i < 400; i++) {
      const began = performance.now();
      await client.query(text, values());
      times.push(performance.now() - began);
    }
    alone[name] = quantile(times, 0.99);
  }

  // Two lists to one write of each kind; a request goes out on its time whether or not the last has been answered.
  const order = [names[0], names[1], names[0], names[2]];
  const atRate = async (callOf) => {
    const times = Object.fromEntries(names.map((name) => [name, []]));
    let refused = 0;
    const inFlight = [];
    const began = performance.now() + WARM_UP_S * 1000;
    for (let i = -RATE * WARM_UP_S; i < RATE * SECONDS; i++) {
      const wait = began + (i * 1000) / RATE - performance.now();
      if (wait > 1) await new Promise((resolve) => setTimeout(resolve, wait));
      const name = order[(i + RATE * WARM_UP_S) % order.length];
      inFlight.push(
        callOf(name).then(({ status, ms }) => {
          if (status >= 300) refused++;
          if (i >= 0) times[name].push(ms);
        }),
      );
    }
    await Promise.all(inFlight);
    return { times, refused, took_s: (performance.now() - began) / 1000 };
  };
  const { times, refused, took_s } = await atRate((name) => kinds[name]());
  const bare = await startBareServer(databaseUrlOf(home));
  const { times: bareTimes } = await atRate((name) => {
    const { text, values } = statements[name];
    return callAt(bare.port, 'POST', '/', { text, values: values() });
  });
  bare.stop();
  console.log(
    `   ${RATE * SECONDS} requests in ${took_s.toFixed(1)} s (${((RATE * SECONDS) / took_s).toFixed(0)} a second), ${refused} refused; 100,000 samples and 1,000,000 run events in the database`,
  );
  for (const name of names) {
    const beside = [`${name}, p50`, quantile(times[name], 0.5), 'ms', 'statement through a bare server, p50'];
    show(...beside, quantile(bareTimes[name], 0.5));
    const p99 = quantile(times[name], 0.99);
    show(`${name}, p99 of ${times[name].length}`, p99, 'ms', 'target', 25);
    show(`${name}, p99`, p99, 'ms', 'statement through a bare server, p99', quantile(bareTimes[name], 0.99));
    show(`${name}, p99`, p99, 'ms', 'statements alone, one after another, p99', alone[name]);
  }

  // A tap at the end of a long run beside one at its start, and what comes back for it.
  const runOf = (n) => `/runs/01900000-0000-7000-8030-${hex(n)}/events`;
  const tapTimes = async (n) => {
    const took = [];
    for (let i = 0; i < 200; i++) took.push((await call('POST', runOf(n), tap())).ms);
    return quantile(took, 0.5);
  };
  for (let i = 0; i < 20; i++)
    await call('POST', runOf(1), { events: Array.from({ length: 500 }, () => tap().events[0]) });
  const early = await tapTimes(2);
  show('bucket 10,000 of a run, p50', await tapTimes(1), 'ms', 'bucket 50', early);
  agent.destroy();
  await client.end();
}
