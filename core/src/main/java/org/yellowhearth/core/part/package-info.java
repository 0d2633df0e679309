/** Parts of every sort, as they are marked and where they sit. */
package org.yellowhearth.core.part;
