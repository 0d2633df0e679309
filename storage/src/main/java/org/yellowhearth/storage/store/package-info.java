/**
 * The shop: journals in SQLite or on a shared PostgreSQL server, backups, recovery, and the gates
 * before every entry.
 */
package org.yellowhearth.storage.store;
