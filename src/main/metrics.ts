import cluster from 'node:cluster';
import { createServer } from 'node:http';
import { AggregatorRegistry, collectDefaultMetrics, Gauge, Histogram, register } from 'prom-client';
import type { Context } from '@/server/context';
import { systemState, type SystemState } from '@/server/health/systemState';

/** The address of the metrics server, apart from the public one; null where none is configured. */
export function metricsAddress(environment: NodeJS.ProcessEnv): { host: string; port: number } | null {
  const { YARD_METRICS_HOST: host = '127.0.0.1', YARD_METRICS_PORT: port } = environment;
  return port ? { host, port: Number(port) } : null;
}

/** Scrapes within so long share one look at the database. */
const SHARED_MILLISECONDS = 1_000;

/** Counts what this process serves. Labels name lanes and statuses, never a path: paths carry tokens. */
export class WebMetrics {
  private readonly seconds = new Histogram({
    name: 'yard_request_seconds',
    help: 'Time from the first byte of a request to the end of its answer',
    labelNames: ['lane', 'status'],
    buckets: [0.01, 0.03, 0.1, 0.3, 1, 3, 10, 30],
  });
  private lastLook: { at: number; state: Promise<SystemState | null> } | null = null;

  constructor(
    private readonly context: Context,
    lanes: Readonly<Record<string, { readonly count: number }>>,
  ) {
    collectDefaultMetrics();
    new Gauge({
      name: 'yard_lane_requests',
      help: 'Requests at work or waiting, by lane',
      labelNames: ['lane'],
      collect() {
        for (const [lane, { count }] of Object.entries(lanes)) this.set({ lane }, count);
      },
    });
    this.stateGauge('yard_database_up', '1 while the database answers', (state) => (state ? 1 : 0));
    this.stateGauge('yard_worker_silent_seconds', 'Since the background worker was last at work', (state) =>
      since(context, state?.worker.seenAt),
    );
    this.stateGauge('yard_jobs_due', 'Jobs whose time has come and that no worker holds', (state) => state?.queue.waiting);
    this.stateGauge('yard_jobs_oldest_seconds', 'Seconds that the oldest waiting job is late', (state) => state?.queue.oldestSeconds);
    this.stateGauge('yard_backup_ok', '0 after a daily backup failed, until one succeeds', (state) => state && Number(state.backup.ok));
    this.stateGauge('yard_backup_age_seconds', 'Since the last daily backup was whole', (state) => since(context, state?.backup.lastAt));
    this.stateGauge('yard_disk_free_bytes', 'Free where files are kept', (state) => state?.disk.freeBytes);
  }

  /** Call it when an answer has ended. */
  answered(lane: string, status: number, seconds: number): void {
    this.seconds.observe({ lane, status: `${Math.floor(status / 100)}xx` }, seconds);
  }

  private stateGauge(name: string, help: string, read: (state: SystemState | null) => number | null | undefined): void {
    const look = () => this.state();
    new Gauge({
      name,
      help,
      // Several processes look at one database.
      aggregator: 'max',
      async collect() {
        const value = read(await look());
        if (value === null || value === undefined) this.reset();
        else this.set(value);
      },
    });
  }

  private state(): Promise<SystemState | null> {
    const now = Date.now();
    if (this.lastLook === null || now - this.lastLook.at > SHARED_MILLISECONDS)
      this.lastLook = { at: now, state: systemState(this.context).catch(() => null) };
    return this.lastLook.state;
  }
}

function since(context: Context, at: number | null | undefined): number | null {
  return at === null || at === undefined ? null : (context.now() - at) / 1_000;
}

/**
 * Serves the figures of this process; of several on one port, the first of them all serves their sum, and each of the others answers it.
 * Call it in each.
 */
export function serveMetrics({ host, port }: { host: string; port: number }): void {
  const ofAll = new AggregatorRegistry();
  if (cluster.isWorker) return;
  const hasWorkers = Object.keys(cluster.workers ?? {}).length > 0;
  createServer((_request, response) => {
    (hasWorkers ? ofAll.clusterMetrics() : register.metrics()).then(
      (text) => response.writeHead(200, { 'content-type': register.contentType }).end(text),
      (error: unknown) => response.writeHead(503, { 'content-type': 'text/plain' }).end(String(error)),
    );
  }).listen(port, host);
}
