/**
 * Exercises: sets with a hidden truth, what looking and measuring shows of it, and how the work on
 * them is marked.
 */
package org.yellowhearth.core.practice;
