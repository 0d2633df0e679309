/** Job files with their photographs in one ZIP. */
package org.yellowhearth.storage.files;
