/** What is said back to an answer, and where in it that belongs. */
package prolalia.core.remark;
