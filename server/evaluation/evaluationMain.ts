import { text } from 'node:stream/consumers';
import { siteFromTrusted } from '#core/model/site';
import { doJob } from './jobs';
import type { Order } from './work';

/** Works out what its standard input asks of a site: a process of its own, so that the server answers others meanwhile. */
const { kind, file, asked } = JSON.parse(await text(process.stdin)) as Order;
process.stdout.write(JSON.stringify(await doJob(kind, siteFromTrusted(file), asked)));
