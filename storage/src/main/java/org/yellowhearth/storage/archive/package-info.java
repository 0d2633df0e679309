/** What is kept beside the journals so that things are found: digests, and the search over them. */
package org.yellowhearth.storage.archive;
