/**
 * What a set holds and who could be hurt: charge followed through time, checks before power,
 * cautions, gates.
 */
package org.yellowhearth.core.safety;
