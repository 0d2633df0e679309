/** Files that appear whole or not at all, and files that are nobody else's business. */
package org.yellowhearth.storage.disk;
