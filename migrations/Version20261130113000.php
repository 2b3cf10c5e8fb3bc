<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130113000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Remarks that are spoken and drawn; what of what is said somebody has read; thank-yous.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE hand_in_seen (read JSON NOT NULL, hand_in_id UUID NOT NULL, person_id UUID NOT NULL, PRIMARY KEY (hand_in_id, person_id))');
        $this->addSql('CREATE INDEX IDX_95F37A62FB395066 ON hand_in_seen (hand_in_id)');
        $this->addSql('CREATE INDEX IDX_95F37A62217BBB47 ON hand_in_seen (person_id)');
        $this->addSql('CREATE TABLE thanks (words TEXT NOT NULL, hand_in_id UUID NOT NULL, person_id UUID NOT NULL, PRIMARY KEY (hand_in_id, person_id))');
        $this->addSql('CREATE INDEX IDX_6E5365EFB395066 ON thanks (hand_in_id)');
        $this->addSql('CREATE INDEX IDX_6E5365E217BBB47 ON thanks (person_id)');
        $this->addSql('ALTER TABLE hand_in_seen ADD CONSTRAINT FK_95F37A62FB395066 FOREIGN KEY (hand_in_id) REFERENCES hand_in (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE hand_in_seen ADD CONSTRAINT FK_95F37A62217BBB47 FOREIGN KEY (person_id) REFERENCES person (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE thanks ADD CONSTRAINT FK_6E5365EFB395066 FOREIGN KEY (hand_in_id) REFERENCES hand_in (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE thanks ADD CONSTRAINT FK_6E5365E217BBB47 FOREIGN KEY (person_id) REFERENCES person (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE assignment ADD thanks_until TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
        $this->addSql('ALTER TABLE assignment ADD class_sees BOOLEAN DEFAULT false NOT NULL');
        $this->addSql('ALTER TABLE remark ADD spoken_seconds DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('ALTER TABLE remark ADD mark JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE remark ADD spoken_id UUID DEFAULT NULL');
        $this->addSql('ALTER TABLE remark ADD CONSTRAINT FK_E1CAD8398F91DD94 FOREIGN KEY (spoken_id) REFERENCES asset (id) NOT DEFERRABLE');
        $this->addSql('CREATE INDEX IDX_E1CAD8398F91DD94 ON remark (spoken_id)');
    }
}
