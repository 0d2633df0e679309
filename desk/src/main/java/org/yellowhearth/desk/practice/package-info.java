/** The practice bench and the first job. */
package org.yellowhearth.desk.practice;
