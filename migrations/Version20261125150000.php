<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'One way in for all assets: pictures, takes and their parts are in one table. Students belong to classes by memberships.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE asset (id UUID NOT NULL, owner_id UUID NOT NULL, place UUID NOT NULL, kind VARCHAR(10) NOT NULL, state VARCHAR(10) NOT NULL, file VARCHAR(255) NOT NULL, slide VARCHAR(64) DEFAULT NULL, after JSON NOT NULL, begun_at TIMESTAMP(0) WITHOUT TIME ZONE NOT NULL, finished_at BIGINT DEFAULT NULL, tries INT NOT NULL, problem TEXT DEFAULT NULL, hash VARCHAR(64) DEFAULT NULL, same UUID DEFAULT NULL, measured JSON NOT NULL, peaks JSON NOT NULL, PRIMARY KEY(id))');
        $this->addSql("INSERT INTO asset (id, owner_id, place, kind, state, file, slide, after, begun_at, tries, measured, peaks) SELECT t.id, s.owner_id, t.story_id, 'voice', CASE WHEN t.finished THEN 'ready' ELSE 'sending' END, t.file, t.slide, '[]', t.begun_at, 0, '[]', t.peaks FROM take t JOIN story s ON s.id = t.story_id");
        $this->addSql("INSERT INTO asset (id, owner_id, place, kind, state, file, after, begun_at, tries, hash, measured, peaks) SELECT p.id, s.owner_id, p.story_id, 'picture', 'ready', p.file, '[]', s.begun_at, 0, p.hash, COALESCE((SELECT jsonb_build_object('kind', 'picture') || (s.document::jsonb->'pictures'->(p.id::text)))::json, '[]'), '[]' FROM picture p JOIN story s ON s.id = p.story_id");
        $this->addSql('CREATE TABLE asset_part (asset_id UUID NOT NULL, number INT NOT NULL, hash VARCHAR(64) NOT NULL, bytes BIGINT DEFAULT 0 NOT NULL, PRIMARY KEY(asset_id, number))');
        $this->addSql('INSERT INTO asset_part (asset_id, number, hash) SELECT take_id, number, hash FROM take_part');
        $this->addSql('DROP TABLE take_part');
        $this->addSql('DROP TABLE take');
        $this->addSql('DROP TABLE picture');
        $this->addSql('CREATE TABLE membership (student_id UUID NOT NULL, classroom_id UUID NOT NULL, PRIMARY KEY(student_id, classroom_id))');
        $this->addSql('INSERT INTO membership (student_id, classroom_id) SELECT id, classroom_id FROM person WHERE classroom_id IS NOT NULL');
        $this->addSql('ALTER TABLE person DROP classroom_id');
        $this->addSql('ALTER TABLE membership ADD CONSTRAINT FK_86FFD285CB944F1A FOREIGN KEY (student_id) REFERENCES person (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE membership ADD CONSTRAINT FK_86FFD2856278D5A8 FOREIGN KEY (classroom_id) REFERENCES classroom (id) NOT DEFERRABLE');
        $this->addSql('CREATE INDEX IDX_86FFD285CB944F1A ON membership (student_id)');
        $this->addSql('CREATE INDEX IDX_86FFD2856278D5A8 ON membership (classroom_id)');
        $this->addSql('ALTER TABLE asset_part ADD CONSTRAINT FK_AD6BB50E5DA1941 FOREIGN KEY (asset_id) REFERENCES asset (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('CREATE INDEX IDX_AD6BB50E5DA1941 ON asset_part (asset_id)');
        $this->addSql('ALTER TABLE asset ADD CONSTRAINT FK_2AF5A5C7E3C61F9 FOREIGN KEY (owner_id) REFERENCES person (id) NOT DEFERRABLE');
        $this->addSql('CREATE INDEX asset_next ON asset (owner_id, state, finished_at)');
        $this->addSql('CREATE INDEX asset_place ON asset (place, hash)');
        $this->addSql('CREATE INDEX IDX_2AF5A5C7E3C61F9 ON asset (owner_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException();
    }
}
