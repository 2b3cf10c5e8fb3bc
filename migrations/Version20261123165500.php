<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261123165500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Films in several sizes and kinds of file';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE film ADD size VARCHAR(8) NOT NULL DEFAULT '720'");
        $this->addSql("ALTER TABLE film ADD container VARCHAR(8) NOT NULL DEFAULT 'mp4'");
        $this->addSql('ALTER TABLE film ALTER size DROP DEFAULT');
        $this->addSql('ALTER TABLE film ALTER container DROP DEFAULT');
        $this->addSql('ALTER TABLE film DROP height');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE film ADD height INT NOT NULL DEFAULT 720');
        $this->addSql('ALTER TABLE film ALTER height DROP DEFAULT');
        $this->addSql('ALTER TABLE film DROP size');
        $this->addSql('ALTER TABLE film DROP container');
    }
}
