/**
 * The application without a window: the open job, its gates and its models by stage, runs and their
 * stops, stock, agenda, practice, and work beside the window.
 */
package org.yellowhearth.workshop;
