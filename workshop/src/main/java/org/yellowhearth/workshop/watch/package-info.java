/** Values that are looked at from elsewhere. */
package org.yellowhearth.workshop.watch;
