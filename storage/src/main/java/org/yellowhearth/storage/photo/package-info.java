/** Photographs, kept byte for byte, and the smaller pictures made of them. */
package org.yellowhearth.storage.photo;
