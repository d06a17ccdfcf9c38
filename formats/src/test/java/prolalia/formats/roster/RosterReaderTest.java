package prolalia.formats.roster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import prolalia.core.classroom.RosterPlan.Row;
import prolalia.formats.roster.RosterException.Fault;

/** Lists of students as schools have them. */
class RosterReaderTest {
    private static byte[] zip(Map<String, String> files) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (var file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    /** Windows packs names of files as code page 437, without saying so. */
    @Test
    void aZipWithNamesOfWindowsIsRead() throws Exception {
        java.io.ByteArrayOutputStream packed = new java.io.ByteArrayOutputStream();
        try (java.util.zip.ZipOutputStream zip =
                new java.util.zip.ZipOutputStream(packed, java.nio.charset.Charset.forName("IBM437"))) {
            zip.putNextEntry(new java.util.zip.ZipEntry("Sch\u00fcler.csv"));
            zip.write(1);
            zip.putNextEntry(new java.util.zip.ZipEntry("Gr\u00fc\u00dfe/users.csv"));
            zip.write("sourcedId,givenName,familyName\n1,Mara,Lind\n".getBytes(StandardCharsets.UTF_8));
        }
        assertThat(RosterReader.read(packed.toByteArray()).rows()).isEqualTo(1);
    }

    @Test
    void aOneRosterExportGivesTheStudentsOfEachClass() throws Exception {
        Roster roster = RosterReader.read(
                zip(
                        Map.of(
                                "users.csv",
                                "sourcedId,status,enabledUser,givenName,familyName,preferredGivenName\n"
                                        + "u1,,true,Marianne,Lind,Mara\nu2,active,true,Ole,Petersen,\nu3,tobedeleted,true,No,Body,\n"
                                        + "t1,,true,Ines,Faro,\n",
                                "classes.csv",
                                "sourcedId,title\nc1,Terns\nc2,Plovers\n",
                                "enrollments.csv",
                                "sourcedId,classSourcedId,userSourcedId,role\n"
                                        + "e1,c1,u1,student\ne2,c1,u2,student\ne3,c2,u2,student\ne4,c1,t1,teacher\ne5,c1,u3,student\n")));
        assertThat(roster.byClass())
                .containsEntry("Terns", List.of(new Row("u1", "Mara Lind"), new Row("u2", "Ole Petersen")))
                .containsEntry("Plovers", List.of(new Row("u2", "Ole Petersen")))
                .hasSize(2);
    }

    @Test
    void aTableIsReadInWhateverOfficeItWasSaved() throws Exception {
        String table = "Nachname;Vorname;Klasse\nÖz;Zoë;1b\n\"Lind; jr\";Mara;1b\n";
        for (String charset : new String[] {"UTF-8", "windows-1252", "UTF-16LE", "UTF-16BE", "UTF-16"}) {
            Roster roster = RosterReader.read(table.getBytes(Charset.forName(charset)));
            assertThat(roster.byClass().get("1b"))
                    .as(charset)
                    .containsExactly(new Row(null, "Zoë Öz"), new Row(null, "Mara Lind; jr"));
        }
        assertThat(RosterReader.read("\ufeffName\tID\nLind, Mara\t7\n".getBytes(StandardCharsets.UTF_8))
                        .byClass()
                        .get(""))
                .containsExactly(new Row("7", "Mara Lind"));
        assertThat(RosterReader.read("Mara Lind\nOle Petersen\n".getBytes(StandardCharsets.UTF_8))
                        .byClass()
                        .get(""))
                .hasSize(2);
    }

    @Test
    void whatIsNoListIsRefusedForWhatItIs() throws Exception {
        assertFault(new byte[0], Fault.EMPTY);
        assertFault("\n \n".getBytes(StandardCharsets.UTF_8), Fault.EMPTY);
        assertFault("color,size\nred,7\n".getBytes(StandardCharsets.UTF_8), Fault.NO_NAMES);
        assertFault(zip(Map.of("other.txt", "x")), Fault.OTHER_ZIP);
        assertFault(("name\n" + "a\n".repeat(50_001)).getBytes(StandardCharsets.UTF_8), Fault.TOO_MANY_ROWS);
        assertFault(new byte[RosterReader.LARGEST_BYTES + 1], Fault.TOO_LARGE);
        assertThat(RosterReader.read("name\n\"never closed\nx".getBytes(StandardCharsets.UTF_8))
                        .rows())
                .isEqualTo(1);
    }

    private static void assertFault(byte[] file, Fault fault) {
        assertThatThrownBy(() -> RosterReader.read(file))
                .isInstanceOfSatisfying(
                        RosterException.class,
                        refused -> assertThat(refused.fault()).isEqualTo(fault));
    }
}
