/** What of a connection to SQLite is used here. */
interface Preparing {
  prepare(text: string): unknown;
}

/** Connections that were opened: they are kept for the same reason as their statements. */
const opened = new Set<Preparing>();

/**
 * Prepares each text once for a connection, and lets neither be collected while the process lives.
 *
 * With the headers of Node 24 an addon's object unhooks itself from its environment when it is collected, which aborts
 * the process where no JavaScript runs at that moment. A server that drops a statement after each query would end at some
 * collection; nothing here is ever collected. The texts are few: the queries of the store.
 */
export function keepStatements<C extends Preparing>(connection: C): C {
  const prepare = connection.prepare.bind(connection);
  const statements = new Map<string, unknown>();
  connection.prepare = (text) => {
    const known = statements.get(text);
    if (known) return known;
    const statement = prepare(text);
    statements.set(text, statement);
    return statement;
  };
  opened.add(connection);
  return connection;
}
