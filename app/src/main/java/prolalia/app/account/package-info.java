/** Teachers' accounts: the first one, signing in, entering the demo. */
package prolalia.app.account;
