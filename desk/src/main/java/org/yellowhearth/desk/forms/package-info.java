/** Forms, pages and tabs that the stages have in common. */
package org.yellowhearth.desk.forms;
