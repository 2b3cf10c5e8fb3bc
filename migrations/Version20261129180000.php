<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Random\Randomizer;
use Rhapsode\Core\Classroom\FirstName;
use Rhapsode\Core\Classroom\Secret;
use Symfony\Component\Uid\Uuid;

final class Version20261129180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Schools; several teachers to a class; students who come in by their class.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE school (id UUID NOT NULL, name VARCHAR(120) NOT NULL, PRIMARY KEY(id))');
        $school = (string) Uuid::v7();
        $isUsed = false !== $this->connection->fetchOne('SELECT 1 FROM person LIMIT 1');
        if ($isUsed) {
            $this->addSql("INSERT INTO school (id, name) VALUES (?, 'School')", [$school]);
        }
        foreach (['person', 'classroom'] as $table) {
            $this->addSql("ALTER TABLE {$table} ADD school_id UUID DEFAULT NULL");
            $this->addSql("UPDATE {$table} SET school_id = ?", [$school]);
            $this->addSql("ALTER TABLE {$table} ALTER school_id SET NOT NULL");
            $this->addSql("ALTER TABLE {$table} ALTER school_id DROP DEFAULT");
        }
        $this->addSql('ALTER TABLE person ADD CONSTRAINT FK_34DCD176C32A47EE FOREIGN KEY (school_id) REFERENCES school (id)');
        $this->addSql('CREATE INDEX IDX_34DCD176C32A47EE ON person (school_id)');
        $this->addSql('ALTER TABLE classroom ADD CONSTRAINT FK_497D309DC32A47EE FOREIGN KEY (school_id) REFERENCES school (id)');
        $this->addSql('CREATE INDEX IDX_497D309DC32A47EE ON classroom (school_id)');
        $this->addSql('ALTER TABLE person ALTER name DROP NOT NULL');
        $this->addSql('ALTER TABLE person ALTER role TYPE VARCHAR(16)');
        $this->addSql('ALTER TABLE person ADD card VARCHAR(64) DEFAULT NULL');
        $this->addSql("ALTER TABLE person ADD words VARCHAR(255) DEFAULT '' NOT NULL");
        $this->addSql('ALTER TABLE person ADD seen_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_34DCD176161498D3 ON person (card)');

        $this->addSql('CREATE TABLE teaching (part VARCHAR(10) NOT NULL, teacher_id UUID NOT NULL, classroom_id UUID NOT NULL, PRIMARY KEY(teacher_id, classroom_id))');
        $this->addSql('CREATE INDEX IDX_18B06FB241807E1D ON teaching (teacher_id)');
        $this->addSql('CREATE INDEX IDX_18B06FB26278D5A8 ON teaching (classroom_id)');
        $this->addSql('ALTER TABLE teaching ADD CONSTRAINT FK_18B06FB241807E1D FOREIGN KEY (teacher_id) REFERENCES person (id)');
        $this->addSql('ALTER TABLE teaching ADD CONSTRAINT FK_18B06FB26278D5A8 FOREIGN KEY (classroom_id) REFERENCES classroom (id)');
        $this->addSql("INSERT INTO teaching (part, teacher_id, classroom_id) SELECT 'lead', teacher_id, id FROM classroom");
        $this->addSql('ALTER TABLE classroom DROP COLUMN teacher_id');

        $this->addSql('ALTER TABLE classroom ADD word VARCHAR(60) DEFAULT NULL');
        $words = [];
        foreach ($isUsed ? $this->connection->fetchFirstColumn('SELECT id FROM classroom') : [] as $id) {
            do {
                $word = Secret::ofClass(new Randomizer());
            } while (isset($words[$word]));
            $words[$word] = true;
            $this->addSql('UPDATE classroom SET word = ? WHERE id = ?', [$word, $id]);
        }
        $this->addSql('ALTER TABLE classroom ALTER word SET NOT NULL');
        $this->addSql('ALTER TABLE classroom ALTER word DROP DEFAULT');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_497D309DC3F17511 ON classroom (word)');

        $this->addSql('ALTER TABLE membership ADD name_key VARCHAR(60) DEFAULT NULL');
        $taken = [];
        foreach ($isUsed ? $this->connection->fetchAllAssociative(
            'SELECT student_id, classroom_id, first_name FROM membership JOIN person ON person.id = student_id ORDER BY student_id',
        ) : [] as $row) {
            $class = (string) $row['classroom_id'];
            $key = $plain = FirstName::key((string) $row['first_name']);
            for ($number = 2; isset($taken[$class][$key]); ++$number) {
                $key = $plain . $number;
            }
            $taken[$class][$key] = true;
            $this->addSql('UPDATE membership SET name_key = ? WHERE student_id = ? AND classroom_id = ?', [$key, $row['student_id'], $class]);
        }
        $this->addSql('CREATE TABLE invitation (id UUID NOT NULL, code VARCHAR(64) NOT NULL, role VARCHAR(16) NOT NULL, part VARCHAR(10) DEFAULT NULL, until TIMESTAMP(0) WITHOUT TIME ZONE NOT NULL, used_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL, school_id UUID NOT NULL, classroom_id UUID DEFAULT NULL, PRIMARY KEY(id))');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_F11D61A277153098 ON invitation (code)');
        $this->addSql('CREATE INDEX IDX_F11D61A2C32A47EE ON invitation (school_id)');
        $this->addSql('CREATE INDEX IDX_F11D61A26278D5A8 ON invitation (classroom_id)');
        $this->addSql('ALTER TABLE invitation ADD CONSTRAINT FK_F11D61A2C32A47EE FOREIGN KEY (school_id) REFERENCES school (id)');
        $this->addSql('ALTER TABLE invitation ADD CONSTRAINT FK_F11D61A26278D5A8 FOREIGN KEY (classroom_id) REFERENCES classroom (id)');
        $this->addSql('ALTER TABLE classroom ADD join_code VARCHAR(12) DEFAULT NULL');
        $this->addSql('ALTER TABLE classroom ADD join_until TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_497D309DE64D7D01 ON classroom (join_code)');
        $this->addSql('CREATE UNIQUE INDEX name_in_class ON membership (classroom_id, name_key)');
    }
}
