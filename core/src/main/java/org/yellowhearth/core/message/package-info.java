/**
 * What core says: keys with arguments, no words; and the names under which things stand in files.
 */
package org.yellowhearth.core.message;
