/**
 * What a reading says of a part: criteria that answer with findings, and the rules that make a
 * verdict and a risk of them.
 */
package org.yellowhearth.core.assess;
