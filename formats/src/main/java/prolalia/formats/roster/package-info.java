/** Lists of students: 1EdTech OneRoster 1.2 CSV, and tables as schools write them. */
package prolalia.formats.roster;
