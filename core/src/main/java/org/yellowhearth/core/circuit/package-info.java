/**
 * A circuit engine: elements, device equations, steady states and transients of periodic supplies.
 * It knows nothing of radios.
 */
package org.yellowhearth.core.circuit;
