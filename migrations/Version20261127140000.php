<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Why a file was refused is a message by its code; what was said before is kept as it was said.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE asset ALTER problem TYPE JSON USING CASE WHEN problem IS NULL THEN NULL ELSE json_build_object('code', 'file.said', 'parameters', json_build_object('said', problem)) END");
        $this->addSql('ALTER TABLE film DROP problem');
    }
}
