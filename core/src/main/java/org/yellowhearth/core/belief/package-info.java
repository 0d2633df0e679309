/**
 * What a part is taken to be now, value by value, and where each comes from: read, guessed by kind
 * and age, marked, assumed.
 */
package org.yellowhearth.core.belief;
