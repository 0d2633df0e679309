/** Charts drawn from marks. */
package org.yellowhearth.desk.charts;
