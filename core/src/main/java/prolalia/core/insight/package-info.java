/** What the answers of many tell: statistics of questions, what was heard before it was answered, and who needs the same. */
package prolalia.core.insight;
