/**
 * What a meter showed, under which conditions, how sure; and how the figures of one reading agree.
 */
package org.yellowhearth.core.reading;
